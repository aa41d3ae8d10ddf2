import { defineStore } from 'pinia'
import { computed, shallowRef, watch } from 'vue'
import type { Finding } from '#core/checks'
import type { Id } from '#core/model'
import type { DeadLinksAnswer } from '#shared/api/types'
import { useDesign } from './design'
import { useMap } from './map'
import { useSite } from './site'

const PAUSE = 250

const framesOf = (f: Finding): Id[] => (f.kind === 'tie' ? f.frames : 'frame' in f && f.frame ? [f.frame] : [])
const layoutsOf = (f: Finding): Id[] => ('layout' in f && f.layout ? [f.layout] : [])
const nodesOf = (f: Finding): Id[] => ('node' in f && f.node ? [f.node] : [])
const pagesOf = (f: Finding): string[] =>
  'pages' in f ? f.pages : (f.kind === 'dangling' || f.kind === 'dead-link') && f.entry ? [`entry:${f.entry}`] : []

function indexBy(findings: readonly Finding[], keysOf: (f: Finding) => string[]): Map<string, Finding[]> {
  const index = new Map<string, Finding[]>()
  for (const finding of findings) {
    for (const key of keysOf(finding)) {
      const list = index.get(key)
      if (list) list.push(finding)
      else index.set(key, [finding])
    }
  }
  return index
}

/** Everything about the draft that will not do what was meant, kept up with it. */
export const useChecks = defineStore('checks', () => {
  const site = useSite()
  const design = useDesign()
  const map = useMap()
  const drawn = shallowRef<Finding[] | null>(null)
  /** Links in the texts of entries, which are with the server. */
  const inEntries = shallowRef<Finding[]>([])
  async function lookIntoEntries(): Promise<void> {
    const { dead } = await useApi<DeadLinksAnswer>('GET', '/checks/links')
    inEntries.value = dead.map((d): Finding => ({ kind: 'dead-link', ...d }))
  }
  /** What the server could not read or draw stands with what the design itself is found to lack. */
  const findings = computed<Finding[] | null>(
    () =>
      drawn.value && [
        ...[...site.spoilt, ...design.spoilt].map((s): Finding => ({ kind: 'spoilt', ...s })),
        ...design.faults.map(({ layout, node, why }): Finding => ({ kind: 'undrawn', layout, node, why })),
        ...drawn.value,
        ...inEntries.value,
      ],
  )
  let timer: ReturnType<typeof setTimeout> | undefined

  watch(
    [() => site.told, () => design.design, () => map.request],
    ([content, asked]) => {
      clearTimeout(timer)
      if (!content || !design.loaded) return
      timer = setTimeout(async () => {
        const found = await checkAside(content, asked, map.request)
        if (asked === design.design) drawn.value = found
      }, PAUSE)
    },
    { immediate: true },
  )

  const byFrame = computed(() => indexBy(findings.value ?? [], framesOf))
  const byLayout = computed(() => indexBy(findings.value ?? [], layoutsOf))
  const byPage = computed(() => indexBy(findings.value ?? [], pagesOf))

  const byNode = computed(() => indexBy(findings.value ?? [], nodesOf))

  return { findings, lookIntoEntries, byFrame, byLayout, byPage, byNode }
})
