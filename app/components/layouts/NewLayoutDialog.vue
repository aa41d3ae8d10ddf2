<script setup lang="ts">
import type { LayoutRegion } from '#core/tree'
import { useDesign } from '~/stores/design'
import { useNotices } from '~/stores/notices'

const props = defineProps<{ region: LayoutRegion }>()
const emit = defineEmits<{ close: [] }>()

const REGIONS: { value: LayoutRegion; label: string; about: string }[] = [
  { value: 'header', label: 'Header', about: 'at the top of pages' },
  { value: 'intro', label: 'Intro', about: 'the band between header and body' },
  { value: 'body', label: 'Body', about: 'an entry, or the entries of an archive' },
  { value: 'footer', label: 'Footer', about: 'at the foot of pages' },
  { value: 'card', label: 'Card', about: 'one entry inside a grid' },
  { value: 'piece', label: 'Shared piece', about: 'kept once, and placed in layouts' },
]

const design = useDesign()
const notices = useNotices()
const region = ref(props.region)
const name = ref('')
/** What it begins as: nothing, or `from` or `follows` and an id. */
const begins = ref('')
const bases = computed(() => design.layouts.filter((l) => l.layout.region === region.value))
watch(region, () => (begins.value = ''))

async function make() {
  const id = await notices.attempt(() => {
    const [how = '', of] = begins.value.split(' ')
    return design.createLayout(name.value.trim(), region.value, of ? { [how]: of } : {})
  })
  if (!id) return
  emit('close')
  await navigateTo(`/studio/layouts/${id}`)
}
</script>

<template>
  <ModalSheet title="New layout" @close="$emit('close')">
    <form id="new-layout" class="space-y-4" @submit.prevent="make">
      <fieldset>
        <legend class="mb-1 font-medium">It is a</legend>
        <label v-for="r in REGIONS" :key="r.value" class="flex items-baseline gap-2 py-0.5">
          <input v-model="region" type="radio" name="region" class="accent-ink" :value="r.value" />
          <span>{{ r.label }}</span><span class="text-xs text-soft">{{ r.about }}</span>
        </label>
      </fieldset>
      <label class="block font-medium">
        Name
        <input v-model="name" class="input mt-1 font-normal" maxlength="120" required placeholder="House header" />
      </label>
      <label v-if="bases.length" class="block font-medium">
        Begins
        <select v-model="begins" class="input mt-1 font-normal">
          <option value="">empty</option>
          <optgroup label="as a variation, which follows">
            <option v-for="{ layout } in bases" :key="layout.id" :value="`follows ${layout.id}`">
              {{ layout.name }}
            </option>
          </optgroup>
          <optgroup label="as a copy, which stands alone, of">
            <option v-for="{ layout } in bases" :key="layout.id" :value="`from ${layout.id}`">
              {{ layout.name }}
            </option>
          </optgroup>
        </select>
      </label>
    </form>
    <template #actions>
      <button type="button" class="btn" @click="$emit('close')">Not now</button>
      <button type="submit" form="new-layout" class="btn btn-spot" :disabled="!name.trim()">Make it</button>
    </template>
  </ModalSheet>
</template>
