<script setup lang="ts">
import { LEFT_OUT, type Entry, type LeftOut } from '#core/model'
import { frameName } from '#core/rules'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useSite } from '~/stores/site'

/** What is said of an entry beside its words: when it is out, where it stands, whose it is, and its own fields. */
const props = defineProps<{ entry: Entry }>()
const emit = defineEmits<{ set: [change: Partial<Entry>]; field: [id: string, value: unknown] }>()

const site = useSite()
const design = useDesign()
const map = useMap()
const times = useTimes()
const text = (event: Event) => (event.target as HTMLInputElement).value
const type = computed(() => site.catalogue!.types.get(props.entry.type)!)
const taxonomies = computed(() => type.value.taxonomies.flatMap((t) => site.catalogue!.taxonomies.get(t) ?? []))
const termsOf = (taxonomy: string) => site.site!.terms.filter((t) => t.taxonomy === taxonomy)
const offered = computed(() =>
  design.frames.filter((f) => f.frame.offeredTo.includes(type.value.id)).map((f) => f.frame),
)
const gone = computed(() => props.entry.chosenFrame && !offered.value.some((f) => f.id === props.entry.chosenFrame))
const timed = ref(Boolean(props.entry.from ?? props.entry.until))
const LEAVES: Record<LeftOut, string> = {
  title: 'its title',
  content: 'its content',
  header: 'the header',
  intro: 'the intro',
  footer: 'the footer',
}
const mayLeave = computed(() => LEFT_OUT.filter((what) => type.value.mayLeaveOut?.includes(what)))

function toggleTerm(term: string, on: boolean) {
  const { terms } = props.entry
  emit('set', { terms: on ? [...terms, term] : terms.filter((t) => t !== term) })
}
function toggleLeft(what: LeftOut, on: boolean) {
  const others = (props.entry.leftOut ?? []).filter((l) => l !== what)
  emit('set', { leftOut: on ? [...others, what] : others })
}
function setTimed(on: boolean) {
  timed.value = on
  if (!on) emit('set', { from: null, until: null })
}
</script>

<template>
  <div class="space-y-4">
    <div class="space-y-2 border border-edge bg-board p-3">
      <label class="flex items-center gap-2 font-medium"
        ><input
          type="checkbox"
          class="accent-ink"
          :checked="entry.published"
          @change="emit('set', { published: ($event.target as HTMLInputElement).checked })"
        />
        Published</label
      >
      <label class="flex items-center gap-2"
        ><input
          type="checkbox"
          class="accent-ink"
          :checked="timed"
          @change="setTimed(($event.target as HTMLInputElement).checked)"
        />
        only for a time</label
      >
      <div v-if="timed" class="grid gap-2">
        <label
          v-for="[key, label] in [
            ['from', 'from'],
            ['until', 'until'],
          ] as const"
          :key="key"
          class="grid grid-cols-[40px_1fr] items-center text-xs text-soft"
          >{{ label
          }}<input
            type="datetime-local"
            class="input text-ink"
            :aria-label="`Published ${label}`"
            :value="times.input(entry[key])"
            @change="emit('set', { [key]: text($event) || null })"
        /></label>
        <p class="text-xs text-soft">By the clocks of {{ site.site!.settings.timeZone.replace('_', ' ') }}.</p>
      </div>
    </div>
    <label class="block font-medium"
      >Last part of the address<input
        class="input mt-1 font-mono text-xs font-normal"
        :value="entry.slug"
        maxlength="80"
        @input="emit('set', { slug: text($event) })"
    /></label>
    <div v-if="type.tree" class="font-medium">
      Stands below
      <AskEntry
        class="mt-1 font-normal"
        :value="entry.parent"
        label="Stands below"
        :of="type.id"
        :without="entry.id"
        none="nothing: at the top"
        @set="emit('set', { parent: $event })"
      />
    </div>
    <label class="block font-medium">
      {{ type.personLabel || 'Person' }}
      <select
        class="input mt-1 font-normal"
        :value="entry.person ?? ''"
        @change="emit('set', { person: text($event) || null })"
      >
        <option value="">nobody</option>
        <option v-for="p in site.site!.people" :key="p.id" :value="p.id">{{ p.name }}</option>
      </select>
    </label>
    <label class="block font-medium"
      >Date<input
        class="input mt-1 font-normal"
        type="date"
        :value="entry.date ?? ''"
        @change="emit('set', { date: text($event) || null })"
    /></label>
    <div class="font-medium">
      Lead picture
      <AskPicture
        :value="entry.picture"
        label="Lead picture"
        class="mt-1 font-normal"
        @set="emit('set', { picture: $event as string | null })"
      />
    </div>
    <fieldset v-for="taxonomy in taxonomies" :key="taxonomy.id">
      <legend class="mb-1 font-medium">{{ taxonomy.name }}</legend>
      <p v-if="termsOf(taxonomy.id).length === 0" class="text-xs text-soft">There are no terms yet.</p>
      <label v-for="term in termsOf(taxonomy.id)" :key="term.id" class="mr-3 inline-flex items-center gap-1">
        <input
          type="checkbox"
          class="accent-ink"
          :checked="entry.terms.includes(term.id)"
          @change="toggleTerm(term.id, ($event.target as HTMLInputElement).checked)"
        />
        {{ term.title || 'Untitled' }}
      </label>
    </fieldset>
    <EntryField
      v-for="field in type.fields"
      :key="field.id"
      :field="field"
      :value="entry.fields[field.id]"
      @set="emit('field', field.id, $event)"
    />
    <fieldset v-if="mayLeave.length" class="border-t pt-3">
      <legend class="sr-only">Left out of its page</legend>
      <p class="mb-1 font-medium">Left out of its page</p>
      <label v-for="what in mayLeave" :key="what" class="mr-3 inline-flex items-center gap-1"
        ><input
          type="checkbox"
          class="accent-ink"
          :checked="entry.leftOut?.includes(what) ?? false"
          @change="toggleLeft(what, ($event.target as HTMLInputElement).checked)"
        />
        {{ LEAVES[what] }}</label
      >
    </fieldset>
    <label v-if="offered.length || entry.chosenFrame" class="block border-t pt-3 font-medium">
      Frame
      <select
        class="input mt-1 font-normal"
        aria-label="Frame"
        :value="entry.chosenFrame ?? ''"
        @change="emit('set', { chosenFrame: text($event) || null })"
      >
        <option value="">as the conditions say</option>
        <option v-for="f in offered" :key="f.id" :value="f.id">{{ map.names ? frameName(f, map.names) : f.id }}</option>
        <option v-if="gone" :value="entry.chosenFrame">a frame that is no longer offered</option>
      </select>
      <span class="mt-1 block text-xs font-normal text-soft"
        >A frame chosen here outranks the conditions of all others.</span
      >
    </label>
    <p v-else class="border-t pt-3 text-xs text-soft">
      No frame is offered to writers of {{ type.plural.toLowerCase() }}. A designer offers one on the Map.
    </p>
  </div>
</template>
