<script setup lang="ts">
import type { PageType } from '#core/model'
import { FIELDS, type Field, type FieldKind, conversionOf } from '#core/fields'
import { namedIn } from '#core/catalogue'
import { useSite } from '~/stores/site'

/** Before a field gets another kind: what its values would read as, and which would come to nothing. */
const props = defineProps<{ type: PageType; field: Field; kind: FieldKind }>()
defineEmits<{ close: []; change: [] }>()

const site = useSite()
const found = computed(() => {
  const { type, field, kind } = props
  const values = site.site!.entries.filter((e) => e.type === type.id).map((e) => e.fields[field.id])
  return conversionOf(values, field, { ...field, kind }, namedIn(site.catalogue!))
})
const LINES = [
  ['stay', 'as they are'],
  ['read', 'read as what they come to'],
  ['lost', 'come to nothing'],
] as const
const none = computed(() => found.value.stay + found.value.read + found.value.lost === 0)
</script>

<template>
  <ModalSheet :title="`${field.label}: ${FIELDS[kind].label.toLowerCase()}?`" @close="$emit('close')">
    <p v-if="none">No {{ type.name.toLowerCase() }} says anything in this field yet.</p>
    <template v-else>
      <dl class="mb-3 grid grid-cols-[3rem_1fr] gap-y-1">
        <template v-for="[key, words] in LINES" :key="key"
          ><template v-if="found[key]"
            ><dt class="text-end font-mono">{{ found[key] }}</dt>
            <dd class="pl-3">{{ words }}</dd></template
          ></template
        >
      </dl>
      <table v-if="found.examples.length" class="w-full border-t text-xs">
        <thead class="sr-only">
          <tr>
            <th>Now</th>
            <th>Then</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="(e, i) in found.examples" :key="i" class="border-b">
            <td class="w-1/2 py-1.5 pr-3 align-top">
              <span class="line-clamp-2">{{ e.value }}</span>
            </td>
            <td class="py-1.5 align-top">
              <span v-if="e.reads === null" class="font-semibold">nothing</span
              ><span v-else class="line-clamp-2">{{ e.reads }}</span>
            </td>
          </tr>
        </tbody>
      </table>
    </template>
    <p class="mt-3 text-soft">
      What is stored stays stored: with the kind it has now, or undone, everything is read as before.
    </p>
    <template #actions>
      <button type="button" class="btn" @click="$emit('close')">Keep the kind</button>
      <button type="button" class="btn btn-spot" @click="$emit('change')">Change it</button>
    </template>
  </ModalSheet>
</template>
