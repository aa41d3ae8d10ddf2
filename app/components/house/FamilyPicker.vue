<script setup lang="ts">
import { findByWords } from '#core/text'
import { FAMILIES, type Family, familyNamed, lacksLetters, lettersOf, ownFamily } from '#core/styles'
import { useSite } from '~/stores/site'

/** A family found by typing, each shown in its own face; what is out of sight is not drawn, and its face not fetched. */
const props = defineProps<{ value: string; label: string }>()
const emit = defineEmits<{ set: [name: string] }>()
const edits = useHouseEdits()
const typed = ref('')
const choosing = ref(false)
const KINDS: Record<Family['kind'], string> = {
  serif: 'serif',
  sans: 'sans',
  mono: 'even widths',
  hand: 'by hand',
  system: 'of the system',
  own: 'your own',
}
const site = useSite()
/** What kind of family it is, or that pages of this site would be drawn in another one. */
const about = (family: Family) =>
  lacksLetters(family, lettersOf(site.site?.settings.locale ?? 'en'))
    ? 'lacks letters of your language'
    : KINDS[family.kind]
const own = computed(() =>
  edits.house.value.fonts.map((f) => ({
    key: ownFamily(f.id),
    family: familyNamed(ownFamily(f.id), edits.house.value),
  })),
)
const all = computed(() => [...own.value, ...FAMILIES.map((family) => ({ key: family.name, family }))])
const found = computed(() =>
  findByWords(
    all.value,
    typed.value,
    ({ family }) => family.name,
    ({ family }) => KINDS[family.kind],
  ),
)
const now = computed(() => familyNamed(props.value, edits.house.value))

function pick(key: string) {
  choosing.value = false
  typed.value = ''
  emit('set', key)
}
const input = ref<HTMLInputElement>()
async function begin() {
  choosing.value = !choosing.value
  await nextTick()
  input.value?.focus()
}
</script>

<template>
  <div>
    <button
      type="button"
      class="input flex items-center justify-between gap-2"
      :aria-expanded="choosing"
      :aria-label="`${label}: ${now.name}`"
      @click="begin"
    >
      <span class="truncate text-base" :style="familyFace(now)">{{ now.name }}</span>
      <span class="shrink-0 text-2xs text-soft">{{ about(now) }}</span>
    </button>
    <div v-if="choosing" class="border border-t-0 bg-raised" @keydown.esc.stop="choosing = false">
      <input
        ref="input"
        v-model="typed"
        class="input border-x-0! border-t-0!"
        placeholder="A few letters, or serif, sans, by hand"
        :aria-label="`Find a family for ${label.toLowerCase()}`"
        @keydown.enter.prevent="found[0] && pick(found[0].key)"
      />
      <ul class="max-h-64 overflow-y-auto py-1">
        <li
          v-for="{ key, family } in found"
          :key="key"
          class="[contain-intrinsic-size:auto_34px] [content-visibility:auto]"
        >
          <button
            type="button"
            class="flex w-full items-baseline justify-between gap-2 px-2.5 py-1 text-start hover:bg-board"
            :class="key === value && 'bg-wash'"
            :aria-pressed="key === value"
            @click="pick(key)"
          >
            <span class="truncate text-lg leading-snug" :style="familyFace(family)">{{ family.name }}</span>
            <span class="shrink-0 text-2xs text-soft">{{ about(family) }}</span>
          </button>
        </li>
        <li v-if="found.length === 0" class="px-2.5 py-1 text-soft">No family is called that.</li>
      </ul>
    </div>
  </div>
</template>
