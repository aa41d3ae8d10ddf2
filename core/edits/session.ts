import type { Problem } from '../problems'
import type { Editing } from './editing'
import type { Id, LogRecord } from './history'
import { type Pending, rebase } from './rebase'
import { MOST_EDITS_SENT } from './shapes'

/** A document as the server tells it, with the latest of the edits that led to it. */
export interface Told<D, E> {
  document: D
  revision: number
  log: readonly LogRecord<E>[]
}

/** An edit that could not be kept, with the reason. */
export interface Unkept<E> {
  edit: E
  problem: Problem
}

/** Characters that are sent at once; one edit is sent whatever its size, and refused by the server when it is too large. */
const MOST_CHARACTERS = 400_000

/**
 * One window's side of editing a document: every edit is applied at once, sent in order, so many at a time, and put on top of
 * what others did meanwhile. What the server refuses is set aside by itself, with the reason; nothing else is.
 */
export class EditSession<D, E> {
  private base: D
  /** The revision that the server is known to have. */
  revision: number
  /** The document with everything that was done here. */
  document: D
  /** What the server has not taken yet, in order. */
  pending: readonly Pending<E>[] = []
  /** What was done so far, here and elsewhere: the log, then what is pending. */
  records: readonly LogRecord<E>[]
  unkept: readonly Unkept<E>[] = []
  private most = MOST_EDITS_SENT

  /** Begins with what the server told and with edits that were made before and not sent. */
  constructor(
    private readonly editing: Editing<D, E>,
    told: Told<D, E>,
    unsent: readonly Pending<E>[] = [],
  ) {
    this.base = this.document = told.document
    this.revision = told.revision
    this.records = told.log
    const known = new Set(told.log.map((r) => r.id))
    this.resume(
      told.log,
      unsent.filter((p) => !known.has(p.id)),
    )
  }

  /** Applies an edit here; gives the reason when it is refused. One that changes nothing is not sent. */
  apply(made: Pending<E>, at: number): Problem | null {
    const result = this.editing.apply(this.document, made.edit)
    if (!result.ok) return result.problem
    if (result.document === this.document) return null
    const revision = this.revision + this.pending.length + 1
    this.pending = [...this.pending, made]
    this.records = [...this.records, { ...made, inverse: result.inverse, revision, at }]
    this.document = result.document
    return null
  }

  /** What is to be sent next, or null when all is with the server. */
  nextToSend(): { revision: number; edits: Pending<E>[] } | null {
    const edits: Pending<E>[] = []
    let size = 0
    for (const p of this.pending.slice(0, this.most)) {
      size += JSON.stringify(p).length
      if (edits.length > 0 && size > MOST_CHARACTERS) break
      edits.push(p)
    }
    return edits.length > 0 ? { revision: this.revision, edits } : null
  }

  /** The server has taken what was sent, and tells it as its log has it now. */
  taken(revision: number, records: readonly LogRecord<E>[]): void {
    for (const { edit } of records) {
      const result = this.editing.applyJudged(this.base, edit)
      if (result.ok) this.base = result.document
    }
    this.revision = revision
    this.most = Math.min(MOST_EDITS_SENT, this.most * 2)
    const done = new Map(records.map((r) => [r.id, r]))
    this.pending = this.pending.filter((p) => !done.has(p.id))
    this.records = this.records.map((r) => done.get(r.id) ?? r)
  }

  /** Others were faster: their edits go beneath what is pending. Gives whether any of them was made elsewhere. */
  overtaken(revision: number, between: readonly LogRecord<E>[]): boolean {
    const mine = new Set(this.pending.map((p) => p.id))
    this.base = rebase(this.editing, this.base, between, []).document
    this.revision = revision
    this.resume([...this.logged(), ...between], without(this.pending, new Set(between.map((b) => b.id))))
    return between.some((b) => !mine.has(b.id))
  }

  /** So much came between that the document is told anew. `taken` are those of the edits sent that are in it already. */
  begunAnew(told: Told<D, E>, taken: readonly Id[]): void {
    this.base = told.document
    this.revision = told.revision
    this.resume(told.log, without(this.pending, new Set([...taken, ...told.log.map((r) => r.id)])))
  }

  /** What was sent was refused: less is tried next, until the one edit that is at fault is known and set aside. */
  refused(problem: Problem, sent: readonly Pending<E>[]): void {
    if (sent.length > 1) {
      this.most = Math.floor(sent.length / 2)
      return
    }
    this.unkept = [...this.unkept, ...sent.map(({ edit }) => ({ edit, problem }))]
    this.resume(this.logged(), without(this.pending, new Set(sent.map((p) => p.id))))
  }

  /** The log without what is pending. */
  private logged(): LogRecord<E>[] {
    return this.records.filter((r) => !this.pending.some((p) => p.id === r.id))
  }

  /** Puts edits onto the base; those that no longer apply are set aside with the reason. */
  private resume(log: readonly LogRecord<E>[], mine: readonly Pending<E>[]): void {
    const { pending, aside } = rebase(this.editing, this.base, [], mine)
    this.unkept = [...this.unkept, ...aside.map(({ pending: { edit }, problem }) => ({ edit, problem }))]
    this.recount(log, pending)
  }

  /** Makes the log of what is pending anew, after the base has changed; undo refers to edits by revision. */
  private recount(log: readonly LogRecord<E>[], mine: readonly Pending<E>[]): void {
    const moved = new Map<number, number>()
    const before = new Map(this.records.map((r) => [r.id, r]))
    const made: LogRecord<E>[] = []
    this.document = this.base
    for (const p of mine) {
      const result = this.editing.applyJudged(this.document, p.edit)
      if (!result.ok) continue
      const revision = this.revision + made.length + 1
      const was = before.get(p.id)
      if (was) moved.set(was.revision, revision)
      const of = p.of === undefined ? {} : { of: moved.get(p.of) ?? p.of }
      made.push({ ...p, ...of, inverse: result.inverse, revision, at: was?.at ?? 0 })
      this.document = result.document
    }
    this.pending = made.map(({ inverse: _, revision: _r, at: _at, ...p }) => p)
    this.records = [...log, ...made]
  }
}

const without = <E>(pending: readonly Pending<E>[], ids: ReadonlySet<Id>): Pending<E>[] =>
  pending.filter((p) => !ids.has(p.id))
