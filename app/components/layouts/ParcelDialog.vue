<script setup lang="ts">
import type { ImportChoice, ImportItem, ImportPlan, Parcel } from '#core/formats'
import { type PartKey, comesAlong } from '#core/releases'
import { counted } from '#core/text'
import { useDesign } from '~/stores/design'
import { useNotices } from '~/stores/notices'
import { useSite } from '~/stores/site'

/** What a parcel would do here: new, replaced, and what does not fit, with a choice for each. Nothing is changed before it is confirmed. */
const props = defineProps<{ parcel: Parcel }>()
const emit = defineEmits<{ close: [] }>()

const design = useDesign()
const site = useSite()
const notices = useNotices()
const plan = shallowRef<ImportPlan | null>(null)
const refused = ref('')
const leaveOut = ref<string[]>([])
const both = ref<string[]>([])
const choices = ref<Record<string, ImportChoice>>({})
const busy = ref(false)

const { sent, brought, bring, hasFile } = useParcelPictures(() => props.parcel)
/** What many things here may have is kept as it is, unless somebody chooses otherwise. */
const COMMON: ReadonlySet<ImportItem['what']> = new Set(['look', 'colour', 'picture'])

onMounted(async () => {
  try {
    plan.value = await useApi<ImportPlan>('POST', '/parcel/preview', { parcel: sent.value })
    leaveOut.value = items.value.filter((i) => (i.state === 'replaces' && COMMON.has(i.what)) || isLost(i)).map(keyOf)
    choices.value = likelyChoices(plan.value.unfit)
  } catch (error) {
    refused.value = (error as Error).message
  }
})

const pictures = computed(() => taken.value.filter((i) => i.what === 'picture'))
const items = computed(() => (plan.value?.items ?? []).filter((i) => i.state !== 'same'))
const taken = computed(() => items.value.filter((i) => !leaveOut.value.includes(`${i.what} ${i.id}`)))
/** A picture whose file did not come along. */
const isLost = (item: ImportItem) => item.what === 'picture' && !hasFile(item.id)
const WHAT = {
  layout: 'Layout',
  frame: 'Frame',
  house: 'House style',
  menu: 'Menu',
  look: 'Look',
  colour: 'Colour',
  picture: 'Picture',
}
const HAS_WAYS: ReadonlySet<ImportItem['what']> = new Set(['layout', 'frame', 'look', 'colour', 'picture'])
const STATE = { new: 'new', replaces: 'replaces what stands here', same: '' }
/** What is taken brings along what it needs: a frame its layouts, a layout what it follows and what stands in it. */
function toggle(key: string, on: boolean) {
  const keys = new Set([key, ...(on ? neededBy(key) : [])])
  leaveOut.value = on ? leaveOut.value.filter((k) => !keys.has(k)) : [...leaveOut.value, key]
}
function neededBy(key: string): string[] {
  const { parcel } = props
  const brought = {
    layouts: parcel.layouts,
    frames: parcel.frames,
    house: parcel.house ?? design.house,
    menus: parcel.menus,
  }
  const part = key === 'house house' ? 'house' : (key as PartKey)
  return comesAlong(design.design, brought, new Set([part])).map((along) =>
    along.key === 'house' ? 'house house' : along.key,
  )
}
const mayTake = computed(() => items.value.filter((i) => !isLost(i)).map(keyOf))
const takeAll = (on: boolean) =>
  (leaveOut.value = on ? leaveOut.value.filter((k) => !mayTake.value.includes(k)) : items.value.map(keyOf))
/** What stands here already is kept, replaced, or stands beside what comes. */
const keyOf = (item: ImportItem) => `${item.what} ${item.id}`
const wayOf = (item: ImportItem) =>
  leaveOut.value.includes(keyOf(item)) ? 'keep' : both.value.includes(keyOf(item)) ? 'both' : 'replace'
function setWay(item: ImportItem, way: string) {
  toggle(keyOf(item), way !== 'keep')
  both.value = both.value.filter((k) => k !== keyOf(item)).concat(way === 'both' ? [keyOf(item)] : [])
}
async function take() {
  busy.value = true
  const done = await notices.attempt(async () => {
    const called = await bring(
      pictures.value.map((i) => ({ id: i.id, replaces: wayOf(i) === 'replace' && i.state !== 'new' })),
    )
    return useApi<ImportPlan>('POST', '/parcel', {
      parcel: sent.value,
      choices: { ...choices.value, ...called },
      leaveOut: leaveOut.value,
      both: both.value.filter((key) => !leaveOut.value.includes(key)),
    })
  })
  busy.value = false
  if (!done) return
  await notices.attempt(() => Promise.all([design.load(), site.load()]))
  const count = done.items.length + pictures.value.length
  notices.say(
    `${counted(count, 'thing stands', 'things stand')} in the draft. Visitors see them after the next release.`,
  )
  emit('close')
}
</script>

<template>
  <ModalSheet title="Bring a parcel in" wide @close="$emit('close')">
    <p v-if="refused" class="border border-spot bg-wash p-3" role="alert">{{ refused }}</p>
    <p v-else-if="!plan" class="text-soft" role="status">Looking at what it would do…</p>
    <template v-else>
      <p class="mb-3 text-soft">From {{ parcel.from }}. Nothing is changed before you confirm.</p>
      <p v-if="items.length > 1" class="mb-1.5 flex gap-3 text-xs">
        <button type="button" class="text-soft underline" @click="takeAll(true)">Take all</button>
        <button type="button" class="text-soft underline" @click="takeAll(false)">Take none</button>
      </p>
      <p v-if="items.length === 0" class="border-y py-3">Everything in it stands here already, exactly so.</p>
      <ul v-else class="border-t">
        <li
          v-for="item in items"
          :key="item.what + item.id"
          class="flex flex-wrap items-baseline gap-x-3 gap-y-1 border-b py-1.5"
        >
          <input
            type="checkbox"
            class="accent-ink"
            :aria-label="`Take ${item.name}`"
            :checked="!leaveOut.includes(`${item.what} ${item.id}`)"
            :disabled="isLost(item)"
            @change="toggle(`${item.what} ${item.id}`, ($event.target as HTMLInputElement).checked)"
          />
          <span class="w-20 shrink-0 text-soft">{{ WHAT[item.what] }}</span>
          <span class="made min-w-40 flex-1 break-words text-base leading-snug">{{ item.name }}</span>
          <select
            v-if="item.state === 'replaces' && HAS_WAYS.has(item.what) && !isLost(item)"
            class="input w-auto!"
            :aria-label="`What to do with ${item.name}`"
            :value="wayOf(item)"
            @change="setWay(item, ($event.target as HTMLSelectElement).value)"
          >
            <option value="keep">keep what is here</option>
            <option value="replace">replace what is here</option>
            <option value="both">have both</option>
          </select>
          <span v-else class="text-xs" :class="item.state === 'replaces' ? 'bg-wash px-1' : 'text-soft'">{{
            isLost(item) ? 'its file did not come along' : STATE[item.state]
          }}</span>
        </li>
      </ul>
      <ParcelUnfit v-if="plan.unfit.length" v-model="choices" :unfit="plan.unfit" class="mt-5" />
    </template>
    <template #actions>
      <button type="button" class="btn" @click="$emit('close')">Leave it</button>
      <button type="button" class="btn btn-spot" :disabled="busy || taken.length === 0" @click="take">
        <template v-if="busy && pictures.length">{{ brought }} of {{ counted(pictures.length, 'picture') }}…</template>
        <template v-else>Take {{ taken.length }} into the draft</template>
      </button>
    </template>
  </ModalSheet>
</template>
