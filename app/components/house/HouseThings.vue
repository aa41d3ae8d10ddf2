<script setup lang="ts">
/** Links, form fields, tables and quotes. */
const edits = useHouseEdits()
const { mark } = useHouseMark()
const house = computed(() => edits.house.value)
const LINES = [
  { value: 'always', label: 'Always' },
  { value: 'hover', label: 'Under the pointer' },
  { value: 'never', label: 'Never' },
] as const
</script>

<template>
  <HouseSection id="links" title="Links" @come="mark = 'p a,li a'">
    <HouseColour label="At rest" :at="['links', 'colour']" :value="house.links.colour" />
    <HouseColour label="Under the pointer" :at="['links', 'hover']" :value="house.links.hover" unsaid="as at rest" />
    <HouseColour label="Visited" :at="['links', 'visited']" :value="house.links.visited" unsaid="as at rest" />
    <HouseLine label="Line below">
      <ToggleRow
        label="Line below links"
        :options="LINES"
        :value="house.links.line"
        @pick="edits.set(['links', 'line'], $event)"
      />
    </HouseLine>
  </HouseSection>
  <HouseSection id="fields" title="Form fields" @come="mark = 'input,textarea,select'">
    <HouseColour label="Background" :at="['fields', 'background']" :value="house.fields.background" />
    <HouseColour label="Words" :at="['fields', 'colour']" :value="house.fields.colour" />
    <HouseColour label="Edge" :at="['fields', 'edge']" :value="house.fields.edge" />
    <HouseNumber label="Rounding" :at="['fields', 'radius']" :value="house.fields.radius" :min="0" :max="400" />
  </HouseSection>
  <HouseSection id="tables" title="Tables" @come="mark = 'table'">
    <HouseColour label="Lines" :at="['tables', 'edge']" :value="house.tables.edge" unsaid="of the words, faintly" />
    <HouseColour label="Behind heads" :at="['tables', 'head']" :value="house.tables.head" unsaid="none" />
    <HouseColour label="Every other line" :at="['tables', 'stripe']" :value="house.tables.stripe" unsaid="none" />
  </HouseSection>
  <HouseSection id="quotes" title="Quotes" @come="mark = 'blockquote'">
    <HouseColour label="Edge" :at="['quotes', 'edge']" :value="house.quotes.edge" unsaid="of the words" />
    <HouseLine label="Slanted">
      <label class="flex h-7 items-center gap-1.5">
        <input
          type="checkbox"
          class="accent-ink"
          :checked="house.quotes.slanted"
          @change="edits.set(['quotes', 'slanted'], ($event.target as HTMLInputElement).checked)"
        />
        {{ house.quotes.slanted ? 'yes' : 'no' }}
      </label>
    </HouseLine>
  </HouseSection>
</template>
