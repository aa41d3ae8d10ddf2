<script setup lang="ts">
import { ComboboxInput } from '@headlessui/vue'

/**
 * The input of a combobox in which a person types to find one of many. The combobox moves to an option with the next
 * frame; this input makes Enter wait for that, since it would choose nothing before.
 */

/** Keys that move to an option. */
const MOVES = /^(?:Arrow(?:Up|Down)|Home|End|Page(?:Up|Down))$/

let moving = false
function keepOrder(event: KeyboardEvent) {
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
  <ComboboxInput autocomplete="off" @keydown.capture="keepOrder" />
</template>
