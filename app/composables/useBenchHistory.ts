import { type Done, documentBefore, stepsDone } from '#core/edits'
import { nodeName } from '#core/elements'
import { type Edit, describeEdit, replaceDocument, thingOf } from '#core/layouts'
import type { Id } from '#core/model'
import { type LayoutDocument, find } from '#core/tree'
import { useBench } from '~/stores/bench'
import { useDesign } from '~/stores/design'

/** A line of the history: what was done, and the layout as it was right after. */
export interface PastStep {
  step: Done<Edit>
  words: string
  /** The one thing that it was about, and what that is called. */
  thing: Id | null
  name: string
  after: LayoutDocument
  /** How many steps were done since. */
  since: number
}

/** Steps of one hand at one thing, one after the other; the latest first. */
export interface PastGroup {
  key: number
  words: string
  by: string | undefined
  lines: PastStep[]
}

/** So many steps are listed at first, and more when asked for. */
const LISTED = 200
/** Above so many, the layout is put back as a whole instead of step by step. */
const MOST_TAKEN_BACK = 100

/** What was done to the layout on the bench, latest first, and the ways back. */
export function useBenchHistory() {
  const bench = useBench()
  const design = useDesign()
  const times = useTimes()
  const sameDay = (a: PastStep, b: PastStep) => times.write(a.step.at, 'day') === times.write(b.step.at, 'day')
  const listed = ref(LISTED)
  const steps = computed(() => stepsDone(bench.log))

  const past = computed<PastStep[]>(() => {
    let after = bench.current
    const lines: PastStep[] = []
    for (let since = 0; after && since < Math.min(steps.value.length, listed.value); since++) {
      const step: Done<Edit> = steps.value[steps.value.length - 1 - since]!
      const before: LayoutDocument | null = documentBefore(bench.editing, after, [step], 1)
      // What is gone is named by how it was before.
      const named = step.edit.kind === 'remove' && before ? before : after
      const thing = step.does === 'edit' ? thingOf(step.edit, after.id) : null
      lines.push({ step, words: wordsOf(step, named), thing, name: thing ? nameIn(named, thing) : '', after, since })
      after = before
    }
    return lines
  })
  /** Whether there is more than is listed. */
  const hasMore = computed(() => past.value.length < steps.value.length || bench.hasEarlier)

  async function more(): Promise<void> {
    listed.value += LISTED
    if (steps.value.length < listed.value && bench.hasEarlier) await bench.loadEarlier()
  }

  function nameIn(layout: LayoutDocument, thing: Id): string {
    if (thing === layout.id) return 'the layout'
    const node = find(design.trees.madeOf(layout).made, thing)?.node
    return node ? nodeName(node) : 'something'
  }

  /** What one hand did at one thing in a row stands together. */
  const groups = computed<PastGroup[]>(() => {
    const found: PastGroup[] = []
    for (const line of past.value) {
      const { step, thing, name } = line
      const last = found.at(-1)
      const [before] = last?.lines ?? []
      if (last && before && thing !== null && before.thing === thing && last.by === step.by && sameDay(before, line)) {
        last.lines.push(line)
        last.words = `${last.lines.length} changes to ${before.name || name}`
      } else found.push({ key: step.revision, words: line.words, by: step.by, lines: [line] })
    }
    return found
  })

  function wordsOf(step: Done<Edit>, layout: LayoutDocument): string {
    const words = describeEdit(step.edit, design.trees.madeOf(layout).made)
    const said = words.charAt(0).toUpperCase() + words.slice(1)
    return step.does === 'undo' ? `Taken back: ${words}` : step.does === 'redo' ? `Done again: ${words}` : said
  }

  /** Shows the layout as it was after a step; the latest is the layout as it is. */
  const look = ({ step, after, since }: PastStep): void =>
    bench.lookAt(since === 0 ? null : { layout: after, revision: step.revision })

  /** Takes back all that was done after a step, as one edit. */
  function takeBack({ since, after }: PastStep): void {
    if (since === 0 || !bench.current) return
    const back = steps.value.slice(-since).reverse()
    const label = `take back ${since === 1 ? 'the last step' : `the last ${since} steps`}`
    bench.takeBackTo(
      since > MOST_TAKEN_BACK
        ? replaceDocument(bench.current, after)
        : { kind: 'batch', label, edits: back.map((s) => s.inverse) },
    )
  }

  return { past, groups, hasMore, more, look, takeBack }
}
