import { type Done, documentBefore, stepsDone } from '#core/edits'
import { type Edit, describeEdit, replaceDocument } from '#core/layouts'
import type { LayoutDocument } from '#core/tree'
import { useBench } from '~/stores/bench'
import { useDesign } from '~/stores/design'

/** A line of the history: what was done, and the layout as it was right after. */
export interface PastStep {
  step: Done<Edit>
  words: string
  after: LayoutDocument
  /** How many steps were done since. */
  since: number
}

/** So many steps are listed; further back the layout is known by its releases. */
const MOST_LISTED = 200
/** Above so many, the layout is put back as a whole instead of step by step. */
const MOST_TAKEN_BACK = 100

/** What was done to the layout on the bench, latest first, and the ways back. */
export function useBenchHistory() {
  const bench = useBench()
  const design = useDesign()

  const past = computed<PastStep[]>(() => {
    const steps = stepsDone(bench.records)
    let after = bench.current
    const lines: PastStep[] = []
    for (let since = 0; after && since < Math.min(steps.length, MOST_LISTED); since++) {
      const step: Done<Edit> = steps[steps.length - 1 - since]!
      const before: LayoutDocument | null = documentBefore(bench.editing, after, [step], 1)
      // What is gone is named by how it was before.
      const named = step.edit.kind === 'remove' && before ? before : after
      lines.push({ step, words: wordsOf(step, named), after, since })
      after = before
    }
    return lines
  })

  function wordsOf(step: Done<Edit>, layout: LayoutDocument): string {
    const words = describeEdit(step.edit, design.trees.of(layout).tree)
    const said = words.charAt(0).toUpperCase() + words.slice(1)
    return step.does === 'undo' ? `Taken back: ${words}` : step.does === 'redo' ? `Done again: ${words}` : said
  }

  /** Shows the layout as it was after a step; the latest is the layout as it is. */
  const look = ({ step, after, since }: PastStep): void =>
    bench.lookAt(since === 0 ? null : { layout: after, revision: step.revision })

  /** Takes back all that was done after a step, as one edit. */
  function takeBack({ since, after }: PastStep): void {
    if (since === 0 || !bench.current) return
    const back = stepsDone(bench.records).slice(-since).reverse()
    const label = `take back ${since === 1 ? 'the last step' : `the last ${since} steps`}`
    bench.takeBackTo(
      since > MOST_TAKEN_BACK
        ? replaceDocument(bench.current, after)
        : { kind: 'batch', label, edits: back.map((s) => s.inverse) },
    )
  }

  return { past, look, takeBack }
}
