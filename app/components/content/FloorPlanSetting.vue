<script setup lang="ts">
import { readFloorPlan, writeFloorPlan } from '#core/formats'
import type { FloorPlan, FloorShape } from '#core/model'
import { counted } from '#core/text'
import { useNotices } from '~/stores/notices'
import { useSite } from '~/stores/site'

/** The floor plan of the site: taken from GeoJSON, looked at, and its rooms joined with terms. */
const site = useSite()
const notices = useNotices()
const plan = computed(() => site.site!.settings.floorPlan ?? null)
const refused = ref('')
const busy = ref(false)
const file = ref<HTMLInputElement>()
const MOST = 5_000_000

/** A term is meant by its title, without regard to capitals. */
function termNamed(name: string): string | null {
  const plain = name.trim().toLowerCase()
  return site.site!.terms.find((t) => t.title.trim().toLowerCase() === plain)?.id ?? null
}

async function keep(next: FloorPlan | null, said: string) {
  const before = plan.value
  busy.value = true
  await notices.attempt(async () => {
    await useApi('PUT', '/settings', { change: { floorPlan: next } })
    await site.load()
    notices.say(said, { label: 'Undo', run: () => keep(before, 'The floor plan is as it was.') })
  })
  busy.value = false
}

async function take() {
  const [chosen] = file.value?.files ?? []
  if (file.value) file.value.value = ''
  if (!chosen) return
  refused.value = ''
  const why = await readChosen(chosen)
  if (why) refused.value = `${chosen.name} was not taken: ${why}. The floor plan is as it was.`
}

async function readChosen(chosen: File): Promise<string | null> {
  if (chosen.size > MOST) return 'it is larger than 5 MB'
  const text = await chosen.text()
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch (error) {
    if (error instanceof SyntaxError) return 'it is no JSON'
    throw error
  }
  const read = readFloorPlan(json, termNamed)
  if ('why' in read) return read.why
  await keep(read.plan, 'The floor plan is taken.')
  return null
}

function leave() {
  const text = JSON.stringify(writeFloorPlan(plan.value!), null, 1)
  saveFile('floor-plan.geojson', 'application/geo+json', text)
}

const rooms = computed(() =>
  (plan.value?.floors ?? []).flatMap((floor) =>
    floor.shapes.filter((s) => s.kind === 'area' && s.name !== '').map((shape) => ({ floor, shape })),
  ),
)
function join(of: FloorShape, term: string) {
  const { term: _, ...rest } = of
  const next = term ? { ...rest, term } : rest
  const floors = plan.value!.floors.map((f) => ({ ...f, shapes: f.shapes.map((s) => (s === of ? next : s)) }))
  void keep({ floors }, `${of.name} is ${term ? 'joined' : 'joined with nothing'}.`)
}
const terms = computed(() =>
  site.site!.taxonomies.map(({ id, plural }) => ({
    plural,
    terms: site.site!.terms.filter((t) => t.taxonomy === id),
  })),
)
</script>

<template>
  <section aria-label="Floor plan">
    <h2 class="made mb-1 text-lg">Floor plan</h2>
    <p class="mb-3 max-w-xl text-soft">
      Where entries stand that have a position. It is taken from GeoJSON: each feature may say its
      <code class="font-mono text-xs">name</code> and its <code class="font-mono text-xs">floor</code>.
    </p>
    <div v-if="plan" class="mb-3 grid gap-4 sm:grid-cols-2">
      <figure v-for="floor in plan.floors" :key="floor.id">
        <FloorPicture :plan="plan" :floor="floor" :position="null" />
        <figcaption class="mt-1 text-xs text-soft">
          {{ floor.name || 'Floor' }}, {{ counted(floor.shapes.length, 'shape') }}
        </figcaption>
      </figure>
    </div>
    <ul v-if="rooms.length" class="mb-3 max-w-xl" aria-label="Rooms">
      <li
        v-for="({ floor, shape }, i) in rooms"
        :key="i"
        class="grid grid-cols-[1fr_1fr] items-center gap-3 border-b py-1"
      >
        <span
          >{{ shape.name }} <span class="text-xs text-soft">{{ floor.name }}</span></span
        >
        <select
          class="input"
          :aria-label="`What stands in ${shape.name}`"
          :value="shape.term ?? ''"
          :disabled="busy"
          @change="join(shape, ($event.target as HTMLSelectElement).value)"
        >
          <option value="">joined with nothing</option>
          <optgroup v-for="group in terms" :key="group.plural" :label="group.plural">
            <option v-for="t in group.terms" :key="t.id" :value="t.id">{{ t.title }}</option>
          </optgroup>
        </select>
      </li>
    </ul>
    <p v-if="refused" class="mb-3 max-w-xl font-semibold" role="alert">{{ refused }}</p>
    <div class="flex flex-wrap gap-2">
      <button type="button" class="btn" :disabled="busy" @click="file?.click()">
        {{ plan ? 'Take another from GeoJSON' : 'Take it from GeoJSON' }}
      </button>
      <input
        ref="file"
        type="file"
        accept=".geojson,.json,application/geo+json"
        class="sr-only"
        tabindex="-1"
        aria-label="GeoJSON of the floor plan"
        @change="take"
      />
      <template v-if="plan">
        <button type="button" class="btn" @click="leave">Take it along as GeoJSON</button>
        <button type="button" class="btn" :disabled="busy" @click="keep(null, 'The site has no floor plan now.')">
          Remove it
        </button>
      </template>
    </div>
  </section>
</template>
