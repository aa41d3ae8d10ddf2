<script setup lang="ts">
import { type Uses, usesOf } from '#core/checks'
import { pictureAddress } from '#core/drawing'
import type { StoredPictureAnswer } from '#shared/api/types'
import { useDesign } from '~/stores/design'
import { useNotices } from '~/stores/notices'
import { useSite } from '~/stores/site'

/** What is known of a picture: its description, what stays in sight when it is cropped, where it is used. */
const props = defineProps<{ stored: StoredPictureAnswer; drawn: number; removed: boolean }>()
const emit = defineEmits<{ took: [answer: StoredPictureAnswer]; remove: []; back: [] }>()

const site = useSite()
const design = useDesign()
const notices = useNotices()
const { whenDone } = useEntryWords()
const picture = computed(() => props.stored.picture)
const focus = computed(() => picture.value.focus ?? { x: 0.5, y: 0.5 })
const uses = computed<Uses>(() => ({
  ...usesOf({ kind: 'picture', id: picture.value.id }, design.design, site.catalogue!),
  entries: props.stored.entries,
}))
const others = computed(() => {
  const { id } = picture.value
  const { terms, people, settings } = site.site!
  return [
    ...terms.filter((t) => t.picture === id).map((t) => t.title),
    ...people.filter((p) => p.picture === id).map((p) => p.name),
    ...(settings.logo === id ? ['the logo of the site'] : []),
    ...(settings.icon === id ? ['the icon of the site'] : []),
    ...(settings.fallbackPicture === id ? ['the picture that stands in'] : []),
  ]
})

async function describe(change: { alt?: string; caption?: string; focus?: { x: number; y: number } | null }) {
  await notices.attempt(async () => {
    const { id, alt, focus: was = null } = picture.value
    emit('took', await useApi<StoredPictureAnswer>('PUT', `/pictures/${id}`, { alt, focus: was, ...change }))
  })
}
const round = (n: number) => Math.round(Math.min(1, Math.max(0, n)) * 100) / 100
function point(event: MouseEvent) {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  // Enter and Space press a button in no place at all.
  if (event.detail === 0) return
  void describe({
    focus: { x: round((event.clientX - box.left) / box.width), y: round((event.clientY - box.top) / box.height) },
  })
}
const STEPS: Readonly<Record<string, [number, number]>> = {
  ArrowLeft: [-0.1, 0],
  ArrowRight: [0.1, 0],
  ArrowUp: [0, -0.1],
  ArrowDown: [0, 0.1],
}
function nudge(event: KeyboardEvent) {
  const by = STEPS[event.key]
  if (!by) return
  event.preventDefault()
  void describe({ focus: { x: round(focus.value.x + by[0]), y: round(focus.value.y + by[1]) } })
}
const { uploads, send } = useUploads<StoredPictureAnswer>(
  () => `/pictures/${picture.value.id}/file`,
  (answer) => emit('took', answer),
  'PUT',
)
const chosen = ref<HTMLInputElement>()
</script>

<template>
  <div class="space-y-4">
    <button
      type="button"
      class="relative block w-full cursor-crosshair"
      :aria-label="`What stays in sight: ${Math.round(focus.x * 100)} from the left, ${Math.round(focus.y * 100)} from the top. Arrows move it.`"
      :disabled="removed"
      @click="point"
      @keydown="nudge"
    >
      <img :src="pictureAddress(picture)" :alt="picture.alt" class="block w-full bg-board" />
      <span
        class="pointer-events-none absolute size-5 -translate-x-1/2 -translate-y-1/2 border-2 border-spot"
        :style="{ left: `${focus.x * 100}%`, top: `${focus.y * 100}%` }"
        ><span class="absolute inset-0 m-auto size-1 bg-spot"
      /></span>
    </button>
    <p class="text-xs text-soft">
      Point at what must stay in sight when it is cropped.
      <button v-if="picture.focus" type="button" class="underline" @click="describe({ focus: null })">
        The middle again
      </button>
    </p>
    <label class="block font-medium"
      >Description<TypedInput
        long
        class="input mt-1 font-normal"
        rows="3"
        maxlength="1000"
        :disabled="removed"
        :value="picture.alt"
        placeholder="What it shows, for those who do not see it"
        @say="describe({ alt: $event })"
      />
    </label>
    <label class="block font-medium"
      >Caption<TypedInput
        class="input mt-1 font-normal"
        maxlength="300"
        :disabled="removed"
        :value="picture.caption ?? ''"
        placeholder="What stands below it; its description, where there is none"
        @say="describe({ caption: $event.trim() })"
      />
    </label>
    <dl class="grid grid-cols-[72px_1fr] gap-x-3 gap-y-1 text-xs">
      <dt class="text-soft">File</dt>
      <dd class="[overflow-wrap:anywhere]">{{ picture.fileName }}</dd>
      <dt class="text-soft">Size</dt>
      <dd>{{ picture.width }} × {{ picture.height }}, {{ sizeWords(stored.size) }}</dd>
      <dt class="text-soft">Lies ready</dt>
      <dd>
        {{
          picture.widths === undefined
            ? 'its sizes are being made'
            : picture.widths.length
              ? `${picture.widths.join(', ')} wide`
              : 'as it is'
        }}
      </dd>
      <template v-if="stored.addedAt"
        ><dt class="text-soft">Brought</dt>
        <dd>{{ whenDone(stored.addedAt) }}, {{ stored.addedBy }}</dd></template
      >
    </dl>
    <p v-if="drawn > picture.width" class="border border-edge bg-wash p-2 text-xs">
      It is shown up to {{ Math.round(drawn) }} px wide and has only {{ picture.width }}.
    </p>
    <div>
      <p class="mb-1 font-medium">Where it is used</p>
      <ul class="space-y-0.5 text-xs">
        <li v-if="uses.entries">
          <NuxtLink :to="`/studio/content/entries?picture=${picture.id}`" class="underline">{{
            uses.entries === 1 ? 'one entry' : `${uses.entries} entries`
          }}</NuxtLink>
        </li>
        <li v-for="id in uses.layouts" :key="id">
          <NuxtLink :to="`/studio/layouts/${id}`" class="underline">{{ design.layoutName(id) }}</NuxtLink>
        </li>
        <li v-for="name in others" :key="name">{{ name }}</li>
        <li v-if="!uses.entries && !uses.layouts.length && !others.length" class="text-soft">nowhere</li>
      </ul>
    </div>
    <UploadList :uploads="uploads" />
    <div class="flex gap-2">
      <template v-if="removed"
        ><button type="button" class="btn btn-small" @click="$emit('back')">Put it back</button></template
      >
      <template v-else>
        <input
          ref="chosen"
          type="file"
          accept="image/*"
          class="sr-only"
          tabindex="-1"
          aria-label="Another file for this picture"
          @change="send(($event.target as HTMLInputElement).files ?? [])"
        />
        <button type="button" class="btn btn-small" @click="chosen?.click()">Another file…</button>
        <button type="button" class="btn btn-small" @click="$emit('remove')">Remove…</button>
      </template>
    </div>
  </div>
</template>
