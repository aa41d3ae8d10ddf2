<script setup lang="ts">
import { describeEdit } from '#core/layouts'
import { useBench } from '~/stores/bench'

/** What somebody else and one's own hand have set at once: both values, and the choice. */
const bench = useBench()
const { valueOf } = useEditWords()
</script>

<template>
  <div
    v-for="(contest, i) in bench.contests"
    :key="i"
    class="flex items-center gap-4 border-b border-[#44484f] px-3.5 py-1.5"
    role="alert"
  >
    <p class="min-w-0 flex-1">
      {{ describeEdit(contest.mine, bench.layout!) }} was set elsewhere too, to “{{ valueOf(contest.theirs) }}”. What
      you set holds now: “{{ valueOf(contest.mine) }}”.
    </p>
    <button type="button" class="underline" @click="bench.settle(contest, false)">Keep mine</button>
    <button type="button" class="underline" @click="bench.settle(contest, true)">Take theirs</button>
  </div>
</template>
