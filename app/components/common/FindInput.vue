<script setup lang="ts">
import { ComboboxInput } from '@headlessui/vue'

/** Where a person types to find one of many: `ComboboxInput`, for hands that are faster than the screen. */

/** Keys that move to an option. The move is made with the next frame. */
const MOVES = /^(?:Arrow(?:Up|Down)|Home|End|Page(?:Up|Down))$/

let moving = false
/** An Enter that comes before the move is made waits for it: else it would choose nothing. */
function inTurn(event: KeyboardEvent) {
  if (MOVES.test(event.key)) {
    moving = true
    requestAnimationFrame(() => setTimeout(() => (moving = false)))
  } else if (event.key === 'Enter' && moving && !event.isComposing) {
    event.preventDefault()
    event.stopImmediatePropagation()
    const { target } = event
    requestAnimationFrame(() =>
      setTimeout(() =>
        target?.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true, cancelable: true })),
      ),
    )
  }
}
</script>

<template>
  <ComboboxInput autocomplete="off" @keydown.capture="inTurn" />
</template>
