<script setup lang="ts">
import type { PageType, Taxonomy } from '#core/model'
import { FIELDS } from '#core/fields'
import { OWN_TARGETS } from '#core/importing'
import type { SheetAnswer } from '#shared/api/types'

/** What each column of a file is, beside what stands in it. */
const props = defineProps<{
  sheet: SheetAnswer
  type: PageType | null
  taxonomies: readonly Taxonomy[]
  columns: Record<string, string>
  person: string
}>()
defineEmits<{ set: [column: string, target: string] }>()

const OWN: Record<(typeof OWN_TARGETS)[number], string> = {
  id: 'Its id',
  title: 'Title',
  slug: 'Address',
  summary: 'Summary',
  content: 'Content',
  picture: 'Lead picture',
  person: 'Person',
  date: 'Date',
  published: 'Published or not',
  parent: 'Stands below',
}
const label = (target: (typeof OWN_TARGETS)[number]) => (target === 'person' ? props.person : OWN[target])
const samples = (column: string) =>
  props.sheet.first
    .map((row) => row[column]?.replace(/<[^>]+>/g, ' ').trim())
    .filter(Boolean)
    .slice(0, 3)
</script>

<template>
  <table class="w-full border-t">
    <thead class="text-xs text-soft">
      <tr>
        <th class="w-48 py-1.5 pr-4 text-start font-normal">Column</th>
        <th class="w-56 py-1.5 pr-4 text-start font-normal">is</th>
        <th class="py-1.5 text-start font-normal">for example</th>
      </tr>
    </thead>
    <tbody class="bg-sheet">
      <tr v-for="column in sheet.columns" :key="column" class="border-y align-top">
        <th scope="row" class="px-2 py-1.5 text-start font-medium [overflow-wrap:anywhere]">{{ column }}</th>
        <td class="py-1 pr-4">
          <select
            class="input"
            :aria-label="`What ${column} is`"
            :value="columns[column] ?? ''"
            @change="$emit('set', column, ($event.target as HTMLSelectElement).value)"
          >
            <option value="">left out</option>
            <optgroup label="Every entry has">
              <option v-for="t in OWN_TARGETS" :key="t" :value="t">{{ label(t) }}</option>
            </optgroup>
            <optgroup v-if="type?.fields.length" :label="`Fields of ${type.plural}`">
              <option v-for="f in type.fields" :key="f.id" :value="`field:${f.id}`">{{ f.label }}</option>
            </optgroup>
            <optgroup v-if="taxonomies.length" label="Taxonomies">
              <option v-for="t in taxonomies" :key="t.id" :value="`terms:${t.id}`">{{ t.plural }}</option>
            </optgroup>
            <optgroup label="A new field">
              <option v-for="(kind, id) in FIELDS" :key="id" :value="`new:${id}`">{{ kind.label }}</option>
            </optgroup>
          </select>
        </td>
        <td class="py-2 pr-2 text-xs text-soft">
          <span v-for="(s, i) in samples(column)" :key="i" class="mr-3 inline-block max-w-52 truncate align-bottom">{{
            s
          }}</span>
        </td>
      </tr>
    </tbody>
  </table>
</template>
