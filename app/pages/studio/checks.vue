<script setup lang="ts">
import type { FindingKind } from '#core/checks'
import { counted } from '#core/text'
import { useChecks } from '~/stores/checks'
import { useNotices } from '~/stores/notices'

definePageMeta({ layout: 'studio' })
useHead({ title: 'Checks' })

const checks = useChecks()
const notices = useNotices()
onMounted(() => notices.attempt(checks.lookIntoEntries))
const { lines } = useFindingWords()
const groups = computed(() =>
  (Object.keys(FINDING_TITLES) as FindingKind[])
    .map((kind) => ({
      kind,
      title: FINDING_TITLES[kind],
      lines: lines((checks.findings ?? []).filter((f) => f.kind === kind)),
    }))
    .filter((g) => g.lines.length > 0),
)
const count = computed(() => groups.value.reduce((sum, g) => sum + g.lines.length, 0))
</script>

<template>
  <div class="h-full overflow-y-auto">
    <div class="mx-auto max-w-4xl px-6 py-8">
      <h1 class="made text-xl">Checks</h1>
      <p v-if="checks.findings === null" class="mt-2 text-soft" role="status">Looking at every page…</p>
      <p v-else-if="count === 0" class="mt-4 border-y py-4">
        Nothing was found: every frame decides something, every layout shows somewhere, all content is shown, every page
        has one title, and nothing names what is gone.
      </p>
      <p v-else class="mt-1 text-soft" role="status">
        {{ counted(count, 'thing') }} will not do what was meant, as far as can be told. The draft is judged, not the
        release.
      </p>
      <section v-for="group in groups" :key="group.kind" class="mt-7">
        <h2 class="flex items-baseline justify-between border-b border-ink pb-1 font-semibold">
          {{ group.title }} <span class="font-mono text-2xs font-normal text-soft">{{ group.lines.length }}</span>
        </h2>
        <ul>
          <li v-for="(line, i) in group.lines" :key="i" class="flex items-start gap-4 border-b py-2.5">
            <div class="min-w-0 flex-1">
              <p class="break-words">{{ line.says }}</p>
              <p class="text-soft">{{ line.todo }}</p>
            </div>
            <NuxtLink v-if="line.place" class="btn btn-small shrink-0" :to="line.place.to">{{
              line.place.label
            }}</NuxtLink>
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>
