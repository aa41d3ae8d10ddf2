import fc from 'fast-check'
import { type Layout, type LogRecord, type Pending, applyEdit, checkLayout, emptyLayout, rebase } from '#core/layouts'
import { insertLayout } from '../../../server/database/layouts'
import { Draft } from '../../../server/services/draft'
import { diceOf, randomEdit, seeds } from '../core/layouts/random'
import { freshDatabase } from './database'

const { db } = freshDatabase()

/** A window of the studio, as far as edits go: applies at once, sends in order, rebases when it was late. */
class Window {
  private base: Layout
  private revision: number
  layout: Layout
  pending: Pending[] = []
  aside = 0
  made = 0

  constructor(
    private readonly name: string,
    private readonly draft: Draft,
    state: { layout: Layout; revision: number },
  ) {
    this.base = this.layout = state.layout
    this.revision = state.revision
  }

  edit(seed: number): void {
    const edit = randomEdit(this.layout, diceOf(seed))
    const result = applyEdit(this.layout, edit)
    if (!result.ok || result.layout === this.layout) return
    this.layout = result.layout
    this.pending.push({ id: `${this.name}${++this.made}`, edit, does: 'edit' })
  }

  private take(records: readonly LogRecord[], revision: number): void {
    const { layout } = rebase(this.base, records, [])
    this.base = layout
    this.revision = revision
    const rebased = rebase(
      layout,
      [],
      this.pending.filter((p) => !records.some((r) => r.id === p.id)),
    )
    this.layout = rebased.layout
    this.pending = rebased.pending
    this.aside += rebased.aside.length
  }

  /** Sends what is pending. With `lose`, the answer never arrives: the window will send the same again. */
  async send(lose = false): Promise<void> {
    if (this.pending.length === 0) return
    const answer = await this.draft.applyEdits(this.base.id, this.revision, this.pending, this.name)
    if (lose) return
    if (answer.kind === 'done') this.take(answer.records, answer.revision)
    else if (answer.kind === 'stale') this.take(answer.between, answer.revision)
    else throw new Error(answer.problem.sentence)
  }

  async settle(): Promise<void> {
    for (let i = 0; i < 50 && this.pending.length > 0; i++) await this.send()
  }
}

test('two windows over one layout, with answers lost on the way: in the end the server has every edit once, or it was set aside', async () => {
  let round = 0
  await fc.assert(
    fc.asyncProperty(
      fc.array(
        fc.record({ who: fc.nat(1), what: fc.constantFrom('edit', 'edit', 'edit', 'send', 'lose'), seed: seeds }),
        { minLength: 8, maxLength: 40 },
      ),
      async (steps) => {
        const draft = new Draft(db())
        const state = await insertLayout(db(), emptyLayout(`shared${++round}`, 'Shared', 'body'), 'test')
        const windows = [new Window('a', draft, state), new Window('b', draft, state)]
        for (const { who, what, seed } of steps) {
          const window = windows[who]!
          if (what === 'edit') window.edit(seed)
          else await window.send(what === 'lose')
        }
        for (const window of [...windows, ...windows]) await window.settle()
        const stored = await draft.layout(state.layout.id)
        expect(checkLayout(stored.layout)).toEqual([])
        expect(stored.log).toHaveLength(windows.reduce((n, w) => n + w.made - w.aside, 0))
        expect(new Set(stored.log.map((r) => r.id)).size).toBe(stored.log.length)
        // The log, replayed from the beginning, gives the very document that is stored.
        let replayed = state.layout
        for (const { edit } of stored.log) {
          const result = applyEdit(replayed, edit)
          if (!result.ok) throw new Error(result.problem.sentence)
          replayed = result.layout
        }
        expect(replayed).toEqual(stored.layout)
      },
    ),
    { numRuns: 60 },
  )
}, 60_000)
