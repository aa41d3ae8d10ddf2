<script setup lang="ts">
import { REGIONS } from '#core/layouts'
import { useMap } from '~/stores/map'
import { useNotices } from '~/stores/notices'

const map = useMap()
const notices = useNotices()
const busy = ref(false)

const pages = computed(() => new Set(map.impact.map((i) => i.page)).size)
const plural = (n: number, word: string) => `${n} ${n === 1 ? word : word === 'body' ? 'bodies' : `${word}s`}`
const parts = computed(() =>
  REGIONS.map((region) => ({ region, count: map.impact.filter((i) => i.region === region).length })).filter(
    (p) => p.count > 0,
  ),
)
const sentence = computed(() =>
  pages.value === 0 ? 'This edit changes no page' : `This edit changes ${plural(pages.value, 'page')}`,
)
const detail = computed(() =>
  parts.value.length === 0
    ? 'for whoever is looking now'
    : `${parts.value.map((p) => plural(p.count, p.region)).join(', ')}, nothing else`,
)

async function keep() {
  busy.value = true
  const isNew = map.edit?.revision === 0
  const before = map.edit?.frame.id
  await notices.attempt(map.keep)
  busy.value = false
  if (!map.edit && before) notices.say(isNew ? 'The frame stands in the draft.' : 'The frame is changed in the draft.')
}
</script>

<template>
  <div
    class="m-4 mt-0 flex flex-wrap items-center gap-x-4 gap-y-2 bg-ink px-3.5 py-2 text-sheet"
    role="region"
    aria-label="Impact of this edit"
  >
    <p class="mr-auto" role="status">
      <strong class="font-semibold">{{ sentence }}</strong> <span class="ml-2 text-[#c5c3bc]">{{ detail }}</span>
    </p>
    <button type="button" class="btn border-[#5a5e65] bg-transparent text-sheet hover:border-white!" @click="map.drop">
      Drop
    </button>
    <button type="button" class="btn text-ink" :disabled="busy" @click="keep">Keep</button>
  </div>
</template>
