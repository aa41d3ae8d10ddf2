<script setup lang="ts">
import { useEventListener } from '@vueuse/core'
import { type Uses, drawnWidths, picturesUsed, usesOf } from '#core/checks'
import { findByWords, counted } from '#core/text'
import type { FilesAnswer, PicturesAnswer, StoredPictureAnswer } from '#shared/api/types'
import { useDesign } from '~/stores/design'
import { useNotices } from '~/stores/notices'
import { useSite } from '~/stores/site'

/** All pictures on one wall, and the other files: brought, described, replaced, found out of use. */
definePageMeta({ layout: 'content' })
useHead({ title: 'Pictures' })

const site = useSite()
const design = useDesign()
const notices = useNotices()
const pictures = shallowRef<StoredPictureAnswer[] | null>(null)
const files = shallowRef<FilesAnswer['files']>([])
const failed = ref('')
const typed = ref('')
const wall = ref<'all' | 'undescribed' | 'small' | 'unused' | 'removed' | 'files'>('all')
const removedOnes = shallowRef<StoredPictureAnswer[]>([])
const inHand = ref<string | null>(null)
const over = ref(false)
const removing = shallowRef<Uses | null>(null)
const chosen = ref<HTMLInputElement>()

async function open() {
  failed.value = ''
  try {
    const [all, gone, others] = await Promise.all([
      useApi<PicturesAnswer>('GET', '/pictures'),
      useApi<PicturesAnswer>('GET', '/pictures?removed=1'),
      useApi<FilesAnswer>('GET', '/files'),
    ])
    pictures.value = all.pictures
    removedOnes.value = gone.pictures
    files.value = others.files
  } catch (error) {
    failed.value = (error as Error).message
  }
}
const route = useRoute()
onMounted(async () => {
  await open()
  if (typeof route.query.picture === 'string') inHand.value = route.query.picture
})
/** Sizes are made one after the other once a picture has come; they are asked for until they are there. */
const LATER = 2500
const unready = computed(() => pictures.value?.some((p) => p.picture.widths === undefined) ?? false)
const timer = setInterval(() => unready.value && void open(), LATER)
onBeforeUnmount(() => clearInterval(timer))

const used = computed(() => picturesUsed(design.design, site.catalogue!))
const widths = computed(() => drawnWidths(design.design, site.catalogue!))
const isUnused = ({ picture, entries }: StoredPictureAnswer) => entries === 0 && !used.value.has(picture.id)
const isSmall = ({ picture }: StoredPictureAnswer) => (widths.value.get(picture.id) ?? 0) > picture.width
const WALLS = computed(() => {
  const all = pictures.value ?? []
  return [
    ['all', 'All', all],
    ['undescribed', 'Without a description', all.filter((p) => !p.picture.alt.trim())],
    ['small', 'Shown larger than they are', all.filter(isSmall)],
    ['unused', 'Not used', all.filter(isUnused)],
    ['removed', 'Removed', removedOnes.value],
  ] as const
})
const TABS = computed(() => [
  ...WALLS.value.map(([id, label, of]) => [id, label, of.length] as const),
  ['files', 'Other files', files.value.length] as const,
])
const shown = computed(() =>
  findByWords(
    WALLS.value.find(([id]) => id === wall.value)?.[2] ?? [],
    typed.value,
    (p) => p.picture.alt,
    (p) => p.picture.fileName,
  ),
)
const picture = computed(() =>
  [...(pictures.value ?? []), ...removedOnes.value].find((p) => p.picture.id === inHand.value),
)

function took(answer: StoredPictureAnswer) {
  const others = (pictures.value ?? []).filter((p) => p.picture.id !== answer.picture.id)
  const entries = pictures.value?.find((p) => p.picture.id === answer.picture.id)?.entries ?? 0
  pictures.value = [{ ...answer, entries }, ...others]
  site.tookPicture(answer.picture)
  inHand.value = answer.picture.id
}
const { uploads, send } = useUploads<StoredPictureAnswer>(() => '/pictures', took)
const others = useUploads<FilesAnswer['files'][number]>(
  () => '/files',
  (file) => (files.value = [file, ...files.value]),
)
const onWay = computed(() => [...uploads.value, ...others.uploads.value])
/** What is no picture by its name goes to the other files; the server judges both by what is in them. */
function take(all: Iterable<File>) {
  over.value = false
  for (const file of all) {
    if (file.type.startsWith('image/')) send([file])
    else others.send([file])
  }
  if (chosen.value) chosen.value.value = ''
}
useEventListener('paste', (event) => {
  const pasted = filesOf(event.clipboardData)
  if (pasted.length > 0 && !(event.target as Element).closest('input, textarea')) take(pasted)
})

async function setRemoved(removed: boolean) {
  const { id } = picture.value!.picture
  removing.value = null
  await notices.attempt(async () => {
    await useApi('POST', '/pictures/removed', { ids: [id], removed })
    if (removed)
      notices.say('The picture is removed; it waits under Removed.', {
        label: 'Undo',
        async run() {
          await useApi('POST', '/pictures/removed', { ids: [id], removed: false })
          await Promise.all([open(), site.load()])
        },
      })
    await Promise.all([open(), site.load()])
  })
}
function askRemove() {
  const { picture: of, entries } = picture.value!
  const uses = { ...usesOf({ kind: 'picture', id: of.id }, design.design, site.catalogue!), entries }
  if (isUnused(picture.value!)) void setRemoved(true)
  else removing.value = uses
}
async function removeFile(id: string) {
  await notices.attempt(async () => {
    await useApi('DELETE', `/files/${id}`)
    files.value = files.value.filter((f) => f.id !== id)
  })
}
</script>

<template>
  <RoomState :failed="failed" :ready="pictures !== null" what="the pictures" @again="open">
    <div
      v-if="pictures"
      class="grid h-full grid-cols-[212px_minmax(0,1fr)_320px] max-lg:grid-cols-1 max-lg:overflow-y-auto"
      @dragover.prevent="over = true"
      @dragleave.self="over = false"
      @drop.prevent="take(filesOf($event.dataTransfer))"
    >
      <nav class="overflow-y-auto border-r bg-board p-3 max-lg:border-b" aria-label="Which pictures">
        <h1 class="made mb-1.5 text-base">Pictures</h1>
        <ul class="space-y-px">
          <li v-for="[id, label, count] in TABS" :key="id" :class="id === 'files' && 'pt-4'">
            <button
              type="button"
              class="flex w-full items-baseline justify-between gap-2 px-2 py-1.5 text-start"
              :class="wall === id ? 'cornered bg-wash' : 'bg-sheet hover:bg-raised'"
              :aria-current="wall === id ? 'true' : undefined"
              @click="((wall = id), (inHand = null))"
            >
              {{ label }} <span class="font-mono text-2xs text-soft">{{ count }}</span>
            </button>
          </li>
        </ul>
      </nav>
      <section class="flex min-h-0 flex-col px-5 pt-4" aria-label="Pictures">
        <div class="mb-3 flex items-center gap-3">
          <input
            v-model="typed"
            type="search"
            class="input max-w-64"
            placeholder="Find a picture"
            aria-label="Find a picture"
          />
          <span class="mr-auto text-soft" role="status">{{
            wall === 'files' ? counted(files.length, 'file') : counted(shown.length, 'picture')
          }}</span>
          <input
            ref="chosen"
            type="file"
            multiple
            class="sr-only"
            tabindex="-1"
            aria-label="Files to bring"
            @change="take(($event.target as HTMLInputElement).files ?? [])"
          />
          <button type="button" class="btn btn-spot" @click="chosen?.click()">Bring files…</button>
        </div>
        <UploadList :uploads="onWay" class="mb-3" />
        <p v-if="over" class="mb-3 border-2 border-dashed border-spot bg-wash p-3 text-center">Drop the files here</p>
        <ul v-if="wall === 'files'" class="border-t bg-sheet">
          <li v-for="f in files" :key="f.id" class="flex items-baseline gap-4 border-b px-3 py-2">
            <a
              :href="`/files/${f.id}/${encodeURIComponent(f.fileName)}`"
              target="_blank"
              class="min-w-0 flex-1 truncate underline"
              >{{ f.fileName }}</a
            >
            <span class="font-mono text-2xs text-soft">/files/{{ f.id }}/…</span>
            <span class="text-xs text-soft">{{ sizeWords(f.size) }}</span>
            <button type="button" class="btn btn-small" :aria-label="`Remove ${f.fileName}`" @click="removeFile(f.id)">
              Remove
            </button>
          </li>
          <li v-if="files.length === 0" class="border-b px-3 py-4 text-soft">
            Documents, sound and film stand here once they are brought; entries lead to them by their address.
          </li>
        </ul>
        <p v-else-if="shown.length === 0" class="border-y py-4 text-soft">
          {{
            typed.trim()
              ? 'No picture is called that.'
              : wall === 'all'
                ? 'There is none yet. Choose files, drop them anywhere here, or paste one.'
                : 'None: all is well here.'
          }}
        </p>
        <div v-else class="min-h-0 flex-1 overflow-y-auto pb-6">
          <ul class="grid grid-cols-[repeat(auto-fill,minmax(136px,1fr))] gap-1 p-1">
            <li v-for="p in shown" :key="p.picture.id">
              <button
                type="button"
                class="block w-full p-1.5 text-start"
                :class="inHand === p.picture.id ? 'cornered bg-wash' : 'hover:bg-sheet'"
                :aria-current="inHand === p.picture.id ? 'true' : undefined"
                @click="inHand = p.picture.id"
              >
                <img
                  :src="smallAddress(p.picture)"
                  :alt="p.picture.alt || p.picture.fileName"
                  loading="lazy"
                  class="aspect-square w-full bg-sheet object-cover"
                  :style="
                    p.picture.focus && { objectPosition: `${p.picture.focus.x * 100}% ${p.picture.focus.y * 100}%` }
                  "
                />
                <span class="block truncate px-1 pt-1 text-xs">{{ p.picture.alt || p.picture.fileName }}</span>
                <span class="block px-1 pb-1 text-2xs text-soft">{{
                  p.picture.widths === undefined ? 'making its sizes…' : `${p.picture.width} × ${p.picture.height}`
                }}</span>
              </button>
            </li>
          </ul>
        </div>
      </section>
      <aside class="overflow-y-auto border-l bg-sheet p-4 max-lg:border-t" aria-label="Picture">
        <PictureSheet
          v-if="picture"
          :key="picture.picture.id"
          :stored="picture"
          :drawn="widths.get(picture.picture.id) ?? 0"
          :removed="wall === 'removed'"
          @took="took"
          @remove="askRemove"
          @back="setRemoved(false)"
        />
        <p v-else class="text-soft">
          Choose a picture to describe it, to set what stays in sight, or to see where it is used.
        </p>
      </aside>
      <RemoveThing
        v-if="removing && picture"
        :name="picture.picture.alt || picture.picture.fileName"
        :uses="removing"
        @close="removing = null"
        @remove="setRemoved(true)"
      />
    </div>
  </RoomState>
</template>
