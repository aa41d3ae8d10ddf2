<script setup lang="ts">
import { useDesign } from '~/stores/design'
import { useNotices } from '~/stores/notices'

definePageMeta({ layout: 'studio' })
useHead({ title: 'Releases' })

const design = useDesign()
const notices = useNotices()
const time = new Intl.DateTimeFormat(undefined, { dateStyle: 'long', timeStyle: 'short' })
onMounted(() => notices.attempt(design.loadReleases))
</script>

<template>
  <div class="h-full overflow-y-auto">
    <div class="mx-auto grid max-w-5xl gap-x-12 gap-y-8 px-6 py-8 lg:grid-cols-2">
      <section>
        <h1 class="made mb-1 text-xl">Waiting for release</h1>
        <p class="mb-3 text-soft">The draft differs from what visitors see in these things.</p>
        <ChangeList v-if="design.waiting.length" :changes="design.waiting" />
        <p v-else class="border-y py-3">Nothing. Visitors see exactly what stands in the studio.</p>
      </section>
      <section>
        <h2 class="made mb-1 text-xl">Released</h2>
        <p class="mb-3 text-soft">Every release stays as it was.</p>
        <ol v-if="design.releases.length" class="border-t">
          <li v-for="release in design.releases" :key="release.number" class="border-b py-3">
            <p class="flex items-baseline justify-between gap-4">
              <span class="made text-base"
                >Release {{ release.number }}<template v-if="release.note">: {{ release.note }}</template></span
              >
              <span class="shrink-0 text-xs text-soft">{{ time.format(release.at) }}, {{ release.by }}</span>
            </p>
            <details class="mt-1">
              <summary class="text-soft">
                {{ release.changes.length }} {{ release.changes.length === 1 ? 'change' : 'changes' }}
              </summary>
              <ChangeList class="mt-2" :changes="release.changes" />
            </details>
          </li>
        </ol>
        <p v-else class="border-y py-3">
          Nothing has been released yet. Visitors see every page in its plain body, without header and footer.
        </p>
      </section>
    </div>
  </div>
</template>
