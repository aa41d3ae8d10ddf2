<script setup lang="ts">
import { pagesOfLayout } from '#core/rules'
import type { Page } from '#core/model'
import { counted } from '#core/text'
import type { ReleaseNote } from '#shared/api/types'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useSite } from '~/stores/site'

/** After a release: one page for each changed layout, a second page of a list and a lost address, ready to be looked at. */
const props = defineProps<{ release: ReleaseNote }>()
defineEmits<{ close: [] }>()

const design = useDesign()
const map = useMap()
const site = useSite()

interface ReleasedPage {
  what: string
  title: string
  address: string
}

/** Layouts that look different, those in which a changed piece stands among them. */
const layouts = computed(() => {
  const changed = props.release.changes.filter((c) => c.what === 'layout' && c.how !== 'removed')
  const showing = changed.flatMap((c) => [c.id, ...design.trees.allShowing(c.id).map((l) => l.id)])
  return [...new Set(showing)]
})
const lines = computed<ReleasedPage[]>(() => {
  const { kept } = map
  if (!kept || !site.catalogue) return []
  const { pages } = site.catalogue
  const seen = new Set<string>()
  const found = layouts.value.flatMap((id) => {
    const page = pagesOfLayout(kept, pages, id).find((p) => p.address && !seen.has(p.key))
    if (!page) return []
    seen.add(page.key)
    return [{ what: design.layoutName(id), title: page.title, address: page.address }]
  })
  return [...found, ...second(pages), { what: 'A lost address', title: 'where no page is', address: '/no-such-page' }]
})
/** The second page of the longest list. */
function second(pages: readonly Page[]): ReleasedPage[] {
  const archives = pages.filter((p) => p.kind === 'archive' && p.type)
  const count = (p: Page) => site.catalogue!.site.entries.filter((e) => e.type === p.type).length
  const [longest] = archives.sort((a, b) => count(b) - count(a))
  if (!longest) return []
  return [{ what: 'A second page of a list', title: longest.title, address: `${longest.address}?page=2` }]
}
const MOST = 12
</script>

<template>
  <ModalSheet :title="`Release ${release.number} is what visitors see now`" @close="$emit('close')">
    <p class="mb-3 text-soft">
      {{ !release.pages ? 'These are ready' : `${counted(release.pages, 'page')} may look different; these are ready` }}
      to be looked at as visitors see them.
    </p>
    <ul class="border-t" aria-label="Pages to look at">
      <li v-for="line in lines.slice(0, MOST)" :key="line.what + line.address" class="border-b py-1.5">
        <a class="flex items-baseline gap-3 hover:underline" :href="line.address" target="_blank" rel="noopener">
          <span class="w-40 shrink-0 text-soft">{{ line.what }}</span>
          <span class="made min-w-0 flex-1 break-words text-base leading-snug">{{ line.title }}</span>
          <span class="shrink-0 font-mono text-2xs text-soft max-sm:hidden">{{ line.address }}</span>
        </a>
      </li>
    </ul>
    <template #actions>
      <button type="button" class="btn btn-spot" @click="$emit('close')">Done</button>
    </template>
  </ModalSheet>
</template>
