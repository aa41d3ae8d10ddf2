<script setup lang="ts">
import { describeValue } from '#core/elements'
import { type Edit, describeEdit } from '#core/layouts'
import { useBench } from '~/stores/bench'

/** What somebody else and one's own hand have set at once: both values, and the choice. */
const bench = useBench()
const names = useElementNames()
const MOST = 60

/** What an edit sets, in a few words. */
function valueOf(edit: Edit): string {
  if (edit.kind === 'setProperty')
    return edit.unset ? 'nothing' : describeValue(edit.value, names.value) || 'other words'
  if (edit.kind === 'setStyle' || edit.kind === 'setDefault')
    return edit.value === null ? 'nothing' : String(edit.value)
  if (edit.kind === 'setSpans') return edit.spans.join(' + ')
  if (edit.kind === 'rename') return edit.name || 'no name'
  if (edit.kind === 'describe') return edit.about || 'nothing'
  return edit.kind === 'hidePart' ? (edit.hidden ? 'hidden' : 'shown') : 'several things'
}
const short = (text: string) => (text.length > MOST ? `${text.slice(0, MOST)}…` : text)
</script>

<template>
  <div
    v-for="(contest, i) in bench.contests"
    :key="i"
    class="flex items-center gap-4 border-b border-[#44484f] px-3.5 py-1.5"
    role="alert"
  >
    <p class="min-w-0 flex-1">
      {{ describeEdit(contest.mine, bench.layout!) }} was set elsewhere too, to “{{ short(valueOf(contest.theirs)) }}”.
      What you set holds now: “{{ short(valueOf(contest.mine)) }}”.
    </p>
    <button type="button" class="underline" @click="bench.settle(contest, false)">Keep mine</button>
    <button type="button" class="underline" @click="bench.settle(contest, true)">Take theirs</button>
  </div>
</template>
