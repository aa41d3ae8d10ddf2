<script setup lang="ts">
import { nanoid } from 'nanoid'
import type { FontFace, OwnFont } from '#core/styles'
import { counted } from '#core/text'
import type { FontAnswer } from '#shared/api/types'

/** Families of one's own: WOFF2 files, judged by what is in them; those of one name are faces of one family. */
const edits = useHouseEdits()
const fonts = computed(() => edits.house.value.fonts)
const chosen = ref<HTMLInputElement>()

function take({ file, fileName, family, style, weight }: FontAnswer) {
  const face: FontFace = { id: nanoid(8), file, fileName, style, weight }
  const there = fonts.value.find((f) => f.name === family)
  if (!there) return void edits.addFont({ id: nanoid(8), name: family, faces: [face] })
  // One face of a kind: a newer file takes the place of an older one.
  const others = there.faces.filter((f) => f.style !== style || f.weight !== weight)
  edits.set(['fonts', there.id, 'faces'], [...others, face])
}
const { uploads, send } = useUploads<FontAnswer>(() => '/fonts', take)
function sendAll(event: Event) {
  const field = event.target as HTMLInputElement
  send(field.files ?? [])
  field.value = ''
}
const describe = ({ faces }: OwnFont) => counted(faces.length, 'face')
</script>

<template>
  <div class="mt-2">
    <ul v-if="fonts.length" class="mb-1.5 space-y-1">
      <li v-for="font in fonts" :key="font.id" class="border bg-raised px-2 py-1">
        <div class="flex items-baseline gap-2">
          <TypedInput
            class="input made min-w-0 flex-1"
            :value="font.name"
            maxlength="60"
            :aria-label="`Name of the family ${font.name}`"
            @say="(words) => words && edits.set(['fonts', font.id, 'name'], words)"
          />
          <button type="button" class="btn btn-small" @click="edits.remove('fonts', font.id)">Remove</button>
        </div>
        <p class="pt-1 text-2xs text-soft">
          {{ describe(font) }}: {{ font.faces.map((f) => `${f.weight.replace(' ', '–')} ${f.style}`).join(', ') }}
        </p>
      </li>
    </ul>
    <UploadList :uploads="uploads" />
    <input
      ref="chosen"
      type="file"
      accept=".woff2,font/woff2"
      multiple
      class="hidden"
      aria-label="Font files"
      @change="sendAll"
    />
    <button type="button" class="btn btn-small" @click="chosen?.click()">Bring a font file (WOFF2)…</button>
  </div>
</template>
