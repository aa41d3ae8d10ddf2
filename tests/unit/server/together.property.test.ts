import fc from 'fast-check'
import { EditSession, type LogRecord, historyOf } from '#core/edits'
import { applyEdit, checkLayout, type Edit } from '#core/layouts'
import { type Layout, find, type LayoutDocument } from '#core/tree'
import { insertLayout } from '../../../server/database/layouts'
import { Draft } from '../../../server/services/draft'
import { LAYOUT_EDITING, column, element, layout, row, plain } from '../../fixtures'
import { diceOf, randomEdit, seeds } from '../core/layouts/random'
import { freshDatabase } from './database'
import { runs } from '../../runs'

const { db } = freshDatabase()

const LONG = 'A sentence about the tower clock. '.repeat(10)

const withText = (id: string): Layout => ({
  ...layout(id, 'body', row(column(12, element('heading', { text: LONG }, 'typed')))),
  name: 'Shared',
})

function allUndone(document: Layout, log: readonly LogRecord<Edit>[]): Layout {
  return historyOf(log).undo.reduceRight((current, { edit }) => {
    const result = applyEdit(current, edit)
    if (!result.ok) throw new Error(result.problem.sentence)
    return result.document
  }, document)
}

/** A window of the studio: the protocol of the bench itself, over a server whose answers may be lost. */
class Window {
  readonly session: EditSession<Layout, Edit>
  made = 0
  private inHand = 0

  constructor(
    private readonly name: string,
    private readonly draft: Draft,
    state: { layout: LayoutDocument; revision: number },
  ) {
    this.session = new EditSession(LAYOUT_EDITING, { document: plain(state.layout), revision: state.revision, log: [] })
  }

  edit(seed: number): void {
    const edit = randomEdit(this.session.document, diceOf(seed))
    const before = this.session.pending.length
    this.session.apply({ id: `${this.name}${++this.inHand}`, edit, does: 'edit' }, 0)
    this.made += this.session.pending.length - before
  }

  /** Writes on in a long text; what is written in one go is one run. */
  type(): void {
    const { last, document } = this.session
    const text = find(document, 'typed')?.node.props.text ?? LONG
    const id = `${this.name}${++this.inHand}`
    const run = last?.run?.startsWith(this.name) ? last.run : id
    const edit: Edit = { kind: 'setProperty', id: 'typed', property: 'text', value: `${text as string}.` }
    const before = this.session.pending.length
    this.session.apply({ id, edit, does: 'edit', run }, 0)
    this.made += this.session.pending.length - before
  }

  /** Takes back the latest step, which may be anybody's. */
  undo(): void {
    const last = historyOf(this.session.records).undo.at(-1)
    if (!last) return
    const before = this.session.pending.length
    this.session.apply({ id: `${this.name}${++this.inHand}`, edit: last.edit, does: 'undo', of: last.of }, 0)
    this.made += this.session.pending.length - before
  }

  /** Sends what is pending, so much at a time. With `lose`, the answer never arrives: the same is sent again. */
  async send(lose = false): Promise<void> {
    const sending = this.session.nextToSend()
    if (!sending) return
    const answer = await this.draft.applyEdits(this.session.document.id, sending.revision, sending.edits, this.name)
    if (lose) return
    if (answer.kind === 'done') this.session.taken(answer.revision, answer.records)
    else if (answer.kind === 'stale') this.session.overtaken(answer.revision, answer.between)
    else if (answer.kind === 'far')
      this.session.begunAnew({ ...answer.state, document: plain(answer.state.document) }, answer.taken)
    else this.session.refused(answer.problem, sending.edits)
  }

  async settle(): Promise<void> {
    for (let i = 0; i < 200 && this.session.pending.length > 0; i++) await this.send()
  }
}

test('two windows over one layout, with answers lost on the way: in the end the server has every edit once, or it was set aside', async () => {
  let round = 0
  await fc.assert(
    fc.asyncProperty(
      fc.array(
        fc.record({
          who: fc.nat(1),
          what: fc.constantFrom('edit', 'edit', 'type', 'type', 'type', 'undo', 'send', 'lose'),
          seed: seeds,
        }),
        { minLength: 8, maxLength: 40 },
      ),
      async (steps) => {
        const draft = new Draft(db())
        const state = await insertLayout(db(), withText(`shared${++round}`), 'test')
        const windows = [new Window('a', draft, state), new Window('b', draft, state)]
        for (const { who, what, seed } of steps) {
          const window = windows[who]!
          if (what === 'edit') window.edit(seed)
          else if (what === 'type') window.type()
          else if (what === 'undo') window.undo()
          else await window.send(what === 'lose')
        }
        for (const window of [...windows, ...windows]) await window.settle()
        const stored = await draft.layout(state.layout.id)
        expect(checkLayout(stored.layout)).toEqual([])
        expect(stored.log).toHaveLength(windows.reduce((n, w) => n + w.made - w.session.unkept.length, 0))
        expect(new Set(stored.log.map((r) => r.id)).size).toBe(stored.log.length)
        // The log, replayed from the beginning, gives the very document that is stored.
        let replayed = plain(state.layout)
        for (const { edit } of stored.log) {
          const result = applyEdit(replayed, edit)
          if (!result.ok) throw new Error(result.problem.sentence)
          replayed = result.document
        }
        expect(replayed).toEqual(stored.layout)
        // Its inverses, of which a run has one, take everything back, unless something was taken back out of turn.
        if (!steps.some((s) => s.what === 'undo'))
          expect(allUndone(plain(stored.layout), stored.log)).toEqual(state.layout)
        for (const { session } of windows) {
          expect(session.pending).toEqual([])
          if (session.revision === stored.revision) expect(session.document).toEqual(stored.layout)
        }
      },
    ),
    { numRuns: runs(60) },
  )
}, 60_000)
