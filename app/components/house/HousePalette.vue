<script setup lang="ts">
import { contrastBetween, LEAST_CONTRAST } from '#core/styles'
import type { HouseUses } from '#core/checks'
import { counted } from '#core/text'
import { useDesign } from '~/stores/design'

/** The palette: each colour with its name, how it reads on the others, and the layouts that use it. */
const props = defineProps<{ uses: HouseUses; dark: boolean }>()
const edits = useHouseEdits()
const design = useDesign()
const { mark } = useHouseMark()
const open = ref<string | null>(null)
const added = ref('')
const palette = computed(() => edits.house.value.palette)
const shownValue = (c: { value: string; dark?: string }) => (props.dark ? (c.dark ?? c.value) : c.value)

function toggle(id: string) {
  open.value = open.value === id ? null : id
  mark.value = open.value ? `colour ${id}` : ''
}
function add() {
  const name = added.value.trim()
  const id = name && edits.addColour(name, palette.value.at(-1)?.value ?? '#808080')
  if (!id) return
  added.value = ''
  open.value = id
}
const layoutsOf = (id: string) => props.uses.layouts.get(`colour ${id}`) ?? []
const isOfHouse = (id: string) => props.uses.house.has(`colour ${id}`)
const usedWords = (id: string) => {
  const count = layoutsOf(id).length
  const words = count === 0 ? '' : counted(count, 'layout')
  return [isOfHouse(id) ? 'house' : '', words].filter(Boolean).join(', ') || 'nowhere'
}
const ratio = (a: { value: string; dark?: string }, b: { value: string; dark?: string }) =>
  contrastBetween(shownValue(a), shownValue(b))
/** What a contrast means, by WCAG 2.2. */
const means = (r: number) =>
  r >= 7 ? 'reads well' : r >= LEAST_CONTRAST ? 'reads' : r >= 3 ? 'large only' : 'too faint'
function setValue(id: string, hex: string) {
  edits.set(['palette', id, props.dark ? 'dark' : 'value'], hex.slice(0, 7))
}
const hexOf = (typed: string) => (/^#?[0-9a-f]{6}$/i.test(typed) ? `#${typed.replace('#', '').toLowerCase()}` : null)
</script>

<template>
  <ul class="space-y-1">
    <li v-for="(c, i) in palette" :key="c.id" class="bg-raised" :class="open === c.id && 'cornered'">
      <button
        type="button"
        class="flex w-full items-center gap-2.5 border px-1.5 py-1 text-start"
        :aria-expanded="open === c.id"
        @click="toggle(c.id)"
      >
        <span class="size-6 shrink-0 border border-edge" :style="{ background: shownValue(c) }" />
        <span class="made min-w-0 flex-1 truncate">{{ c.name }}</span>
        <span class="font-mono text-2xs text-soft">{{ shownValue(c) }}</span>
        <span class="w-24 truncate text-end text-2xs text-soft">{{ usedWords(c.id) }}</span>
      </button>
      <div v-if="open === c.id" class="space-y-2 border border-t-0 p-2.5">
        <div class="flex gap-1.5">
          <TypedInput
            class="input min-w-0 flex-1"
            :value="c.name"
            maxlength="60"
            :aria-label="`Name of ${c.name}`"
            @say="(words) => words && edits.set(['palette', c.id, 'name'], words)"
          />
          <input
            type="color"
            class="h-7 w-10 shrink-0 border bg-raised"
            :value="shownValue(c)"
            :aria-label="`Colour of ${c.name}`"
            @input="setValue(c.id, ($event.target as HTMLInputElement).value)"
          />
          <TypedInput
            class="input w-24! shrink-0 font-mono text-xs"
            :value="shownValue(c)"
            :aria-label="`${c.name} as a hex code`"
            @say="(words) => hexOf(words) && setValue(c.id, hexOf(words)!)"
          />
        </div>
        <p v-if="dark" class="text-xs text-soft">
          This is how it looks in the dark.
          <button v-if="c.dark" type="button" class="underline" @click="edits.set(['palette', c.id, 'dark'], null)">
            As in the light
          </button>
        </p>
        <ul class="grid grid-cols-2 gap-px text-2xs" aria-label="How it reads on the others">
          <li
            v-for="other in palette.filter((o) => o.id !== c.id)"
            :key="other.id"
            class="flex items-baseline justify-between gap-1 border px-1.5 py-1"
            :style="{ background: shownValue(other), color: shownValue(c) }"
          >
            <span class="truncate">on {{ other.name }}</span>
            <span class="shrink-0 bg-raised px-1 text-ink">{{ ratio(c, other) }} {{ means(ratio(c, other)) }}</span>
          </li>
        </ul>
        <div v-if="layoutsOf(c.id).length" class="text-xs">
          <p class="text-soft">Layouts that use it</p>
          <ul class="flex flex-wrap gap-x-3">
            <li v-for="id in layoutsOf(c.id)" :key="id">
              <NuxtLink :to="`/studio/layouts/${id}`" class="underline">{{ design.layoutName(id) }}</NuxtLink>
            </li>
          </ul>
        </div>
        <div class="flex items-center gap-1.5">
          <button type="button" class="btn btn-small" :disabled="i === 0" @click="edits.move('palette', c.id, i - 1)">
            Up
          </button>
          <button
            type="button"
            class="btn btn-small"
            :disabled="i === palette.length - 1"
            @click="edits.move('palette', c.id, i + 1)"
          >
            Down
          </button>
          <button
            type="button"
            class="btn btn-small ml-auto"
            :disabled="isOfHouse(c.id)"
            :title="isOfHouse(c.id) ? 'The house itself is drawn in it' : undefined"
            @click="edits.remove('palette', c.id)"
          >
            {{
              layoutsOf(c.id).length
                ? `Remove from the palette and ${counted(layoutsOf(c.id).length, 'layout')}`
                : 'Remove'
            }}
          </button>
        </div>
      </div>
    </li>
  </ul>
  <form class="mt-2 flex gap-1" @submit.prevent="add">
    <input
      v-model="added"
      class="input min-w-0 flex-1"
      placeholder="Another colour"
      aria-label="Name of a new colour"
      maxlength="60"
    />
    <button class="btn btn-small h-7!" :disabled="!added.trim() || palette.length >= 60">Add</button>
  </form>
</template>
