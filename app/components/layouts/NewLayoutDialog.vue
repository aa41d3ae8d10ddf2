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
]

const design = useDesign()
const notices = useNotices()
const region = ref(props.region)
const name = ref('')
const from = ref('')
const bases = computed(() => design.layouts.filter((l) => l.layout.region === region.value))
watch(region, () => (from.value = ''))

async function make() {
  const id = await notices.attempt(() => design.createLayout(name.value.trim(), region.value, from.value || undefined))
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
        <select v-model="from" class="input mt-1 font-normal">
          <option value="">empty</option>
          <option v-for="base in bases" :key="base.layout.id" :value="base.layout.id">
            as a copy of {{ base.layout.name }}
          </option>
        </select>
      </label>
    </form>
    <template #actions>
      <button type="button" class="btn" @click="$emit('close')">Not now</button>
      <button type="submit" form="new-layout" class="btn btn-spot" :disabled="!name.trim()">Make it</button>
    </template>
  </ModalSheet>
</template>
