<script setup lang="ts">
import type { Person } from '#core/model'
import { useSession } from '~/stores/session'

/** Everything that is known of a person. */
const props = defineProps<{ person: Person; address: string | null }>()
defineEmits<{ remove: [] }>()

const session = useSession()
const { setPerson } = useStructureEdits()
const LINES = [
  ['name', 'Name', 'text', 200],
  ['role', 'Role', 'text', 200],
  ['mail', 'Mail address', 'email', 200],
  ['phone', 'Telephone', 'tel', 60],
] as const
function set(key: (typeof LINES)[number][0], value: string) {
  if (key === 'name' && !value) return
  setPerson(props.person, key, key === 'phone' && !value ? undefined : value)
}
</script>

<template>
  <fieldset class="grid max-w-3xl gap-x-10 gap-y-4 sm:grid-cols-2" :disabled="!session.mayDesign">
    <div class="flex items-baseline gap-4 sm:col-span-2">
      <h2 class="made text-xl [overflow-wrap:anywhere]">{{ person.name || 'Nameless' }}</h2>
      <a v-if="address" :href="address" target="_blank" class="font-mono text-2xs text-soft underline">{{ address }}</a>
      <span v-else class="text-xs text-soft">has a page once an entry is theirs</span>
    </div>
    <div class="space-y-4">
      <label v-for="[key, label, type, most] in LINES" :key="key" class="block font-medium"
        >{{ label
        }}<TypedInput
          class="input mt-1 font-normal"
          :type="type"
          :value="person[key] ?? ''"
          :maxlength="most"
          @say="set(key, $event)"
      /></label>
      <label class="block font-medium"
        >Last part of the address<TypedInput
          class="input mt-1 font-mono text-xs font-normal"
          :value="person.slug"
          maxlength="80"
          @say="setPerson(person, 'slug', $event)"
      /></label>
    </div>
    <div class="space-y-4">
      <div class="font-medium">
        Picture
        <AskPicture
          :value="person.picture"
          label="Picture"
          class="mt-1 font-normal"
          @set="setPerson(person, 'picture', $event)"
        />
      </div>
      <label class="block font-medium"
        >Words about them<TypedInput
          long
          class="input mt-1 font-normal"
          rows="9"
          :value="person.about"
          maxlength="10000"
          @say="setPerson(person, 'about', $event)"
        />
      </label>
      <NuxtLink :to="`/studio/content/entries?person=${person.id}`" class="block text-soft underline"
        >Their entries</NuxtLink
      >
      <button v-if="session.mayDesign" type="button" class="btn btn-small" @click="$emit('remove')">
        Remove this person…
      </button>
    </div>
  </fieldset>
</template>
