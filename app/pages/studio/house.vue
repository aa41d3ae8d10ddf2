<script setup lang="ts">
import { houseUses } from '#core/checks'
import { elementSpec } from '#core/elements'
import { useDesign } from '~/stores/design'
import { useSession } from '~/stores/session'

/** The house style as one long sheet, with the specimen or real pages of the site beside it. */
definePageMeta({ layout: 'studio' })
useHead({ title: 'House' })

const design = useDesign()
const session = useSession()
const edits = useHouseEdits()
const { store, house } = edits
const { mark } = useHouseMark()
const uses = computed(() => houseUses(design.design))
/** Kinds of things besides buttons for which there are named looks; they are made on the bench, of what a thing looks like. */
const otherKinds = computed(() => [...new Set(house.value.looks.map((l) => l.for))].filter((kind) => kind !== 'button'))
const kindWords = (kind: string) => elementSpec(kind)?.name ?? kind.charAt(0).toUpperCase() + kind.slice(1)
const dark = ref(false)
const DARK = [
  { value: 'never', label: 'Nobody' },
  { value: 'system', label: 'By their system' },
  { value: 'always', label: 'Everybody' },
] as const
const PARTS = computed(() => [
  ['palette', 'Palette'],
  ['type', 'Type'],
  ['space', 'Space and edges'],
  ['buttons', 'Buttons'],
  ...(otherKinds.value.length > 0 ? [['looks', 'Named looks']] : []),
  ['links', 'Links'],
  ['fields', 'Form fields'],
  ['tables', 'Tables'],
  ['quotes', 'Quotes'],
  ['tokens', 'Tokens'],
])
const goTo = (id: string) => document.getElementById(`house-${id}`)?.scrollIntoView({ block: 'start' })
onBeforeUnmount(() => (mark.value = ''))
</script>

<template>
  <DocumentRoom :store="store" what="the house style" columns="grid-cols-[428px_minmax(0,1fr)]">
    <div class="flex min-h-0 flex-col border-r bg-sheet max-lg:border-b">
      <div class="border-b px-5 pb-2 pt-3">
        <h1 class="made mb-1 text-xl">House style</h1>
        <nav class="flex flex-wrap gap-x-3 text-xs text-soft" aria-label="Parts of the house style">
          <button
            v-for="[id, title] in PARTS"
            :key="id"
            type="button"
            class="hover:text-ink hover:underline"
            @click="goTo(id!)"
          >
            {{ title }}
          </button>
        </nav>
        <p v-if="!session.mayDesign" class="mt-1 text-xs text-soft">It is for designers and owners to change.</p>
      </div>
      <fieldset class="min-h-0 flex-1 overflow-y-auto max-lg:overflow-visible" :disabled="!session.mayDesign">
        <HouseSection id="palette" title="Palette">
          <HousePalette :uses="uses" :dark="dark" />
          <div class="mt-3">
            <HouseColour label="Text" :at="['ink']" :value="house.ink" />
            <HouseColour label="Paper" :at="['paper']" :value="house.paper" />
            <HouseLine
              label="Dark colours for"
              hint="The dark colours are chosen while the pages are seen in the dark."
            >
              <ToggleRow
                label="Who sees the dark colours"
                :options="DARK"
                :value="house.dark"
                @pick="edits.set(['dark'], $event)"
              />
            </HouseLine>
          </div>
        </HouseSection>
        <HouseSection id="type" title="Type"><HouseType /></HouseSection>
        <HouseSection id="space" title="Space and edges">
          <HouseNumber
            label="Content width"
            :at="['contentWidth']"
            :value="house.contentWidth"
            :min="200"
            :max="4000"
            shows=".of-in"
          />
          <HouseNumber label="Between columns" :at="['gap']" :value="house.gap" :min="0" :max="400" shows=".of-in" />
          <HouseNumber label="To the window" :at="['edge']" :value="house.edge" :min="0" :max="400" shows=".of-row" />
          <HouseNumber label="Between things" :at="['flow']" :value="house.flow" :min="0" :max="400" shows=".of-col" />
          <HouseNumber label="Rounding" :at="['radius']" :value="house.radius" :min="0" :max="400" shows="img" />
        </HouseSection>
        <HouseSection id="buttons" title="Buttons"><HouseLooks kind="button" :uses="uses" /></HouseSection>
        <HouseSection v-if="otherKinds.length" id="looks" title="Named looks">
          <template v-for="kind in otherKinds" :key="kind">
            <h4 class="mb-1 mt-2 text-xs text-soft">{{ kindWords(kind) }}</h4>
            <HouseLooks :kind="kind" :uses="uses" />
          </template>
        </HouseSection>
        <HouseThings />
        <HouseSection id="tokens" title="Design tokens"><HouseTokens /></HouseSection>
      </fieldset>
    </div>
    <HousePages v-model:dark="dark" />
  </DocumentRoom>
</template>
