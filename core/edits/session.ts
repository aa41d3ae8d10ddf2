import type { Problem } from '../problems'
import type { Editing } from './editing'
import { type Id, type LogRecord, goesOn } from './history'
import { type Pending, rebase } from './rebase'
import { MOST_EDITS_SENT } from './shapes'

/** A document as the server tells it, with the latest of the edits that led to it. */
export interface ServerDocument<D, E> {
  document: D
  revision: number
  log: readonly LogRecord<E>[]
}

/** An edit that could not be kept, with the reason. */
export interface Unkept<E> {
  edit: E
  problem: Problem
}

/** Both hands set the same thing at once: what was set here holds, and what somebody else had set before can be taken. */
export interface Contest<E> {
  mine: E
  theirs: E
}

/** Characters that are sent at once; one edit is sent whatever its size, and refused by the server when it is too large. */
const MOST_CHARACTERS = 400_000

/** An edit that waits for the server, and the document that it led to here. */
interface Made<D, E> {
  pending: Pending<E>
  record: LogRecord<E>
  document: D
}

/**
 * One window's side of editing a document: every edit is applied at once, sent in order, so many at a time, and put on top of
 * what others did meanwhile. What the server refuses is set aside by itself, with the reason; nothing else is.
 */
export class EditSession<D, E> {
  /** The document as the server has it. */
  private base: D
  /** The revision that the server is known to have. */
  revision: number
  /** What the server has not taken yet, in order. */
  private made: readonly Made<D, E>[] = []
  private log: readonly LogRecord<E>[]
  unkept: readonly Unkept<E>[] = []
  contests: readonly Contest<E>[] = []
  private most = MOST_EDITS_SENT
  /** How many of the edits made are on their way, or may have arrived though no answer did. */
  private sent = 0

  /** Begins with what the server told and with edits that were made before and not sent. */
  constructor(
    private readonly editing: Editing<D, E>,
    told: ServerDocument<D, E>,
    unsent: readonly Pending<E>[] = [],
  ) {
    this.base = told.document
    this.revision = told.revision
    this.log = told.log
    const known = new Set(told.log.map((r) => r.id))
    this.resume(unsent.filter((p) => !known.has(p.id)))
  }

  /** The document with everything that was done here. */
  get document(): D {
    return this.made.at(-1)?.document ?? this.base
  }

  get pending(): readonly Pending<E>[] {
    return this.made.map((m) => m.pending)
  }

  /**
   * What has to be kept so that nothing is lost when this window is: of each run only its latest edit, said so
   * that it holds whatever the server has by then.
   */
  get unsent(): Pending<E>[] {
    return this.made.filter((m, i) => !goesOn(m.pending, this.made[i + 1]?.pending)).map((m) => this.wholeOf(m))
  }

  private wholeOf({ pending, document }: Made<D, E>): Pending<E> {
    const edit = this.editing.whole(document, pending.edit)
    return edit === pending.edit ? pending : { ...pending, edit }
  }

  /** What was done so far, here and elsewhere: the log, then what is pending. */
  get records(): readonly LogRecord<E>[] {
    return [...this.log, ...this.made.map((m) => m.record)]
  }

  /** The edit made last, here or elsewhere. */
  get last(): LogRecord<E> | undefined {
    return this.made.at(-1)?.record ?? this.log.at(-1)
  }

  /** Applies an edit here; gives the reason when it is refused. One that changes nothing is not sent. */
  apply(made: Pending<E>, at: number): Problem | null {
    if (this.writesOver(made)) return this.writeOver(made)
    const pending = { ...made, edit: this.editing.slim(this.document, made.edit) }
    const result = this.editing.apply(this.document, pending.edit)
    if (!result.ok) return result.problem
    if (result.document !== this.document) this.add(pending, result.document, result.inverse, at)
    return null
  }

  /** Whether an edit goes on with the run of the one made last, sets the same, and that one was never sent. */
  private writesOver(made: Pending<E>): boolean {
    const last = this.made.at(-1)
    if (!last || this.made.length <= this.sent || !goesOn(last.pending, made)) return false
    const [were, are] = [this.editing.targets(last.pending.edit), this.editing.targets(made.edit)]
    return were.length > 0 && were.join('\n') === are.join('\n')
  }

  /** Puts an edit in the place of the one made last: of a run only what it comes to is sent. */
  private writeOver(made: Pending<E>): Problem | null {
    const last = this.made.at(-1)!
    const before = this.made.at(-2)?.document ?? this.base
    const edit = this.editing.slim(before, made.edit)
    const result = this.editing.apply(before, edit)
    if (!result.ok) return result.problem
    const pending = { ...last.pending, edit }
    this.made = [...this.made.slice(0, -1), { pending, record: { ...last.record, edit }, document: result.document }]
    return null
  }

  private add(pending: Pending<E>, document: D, inverse: E, at: number): void {
    const revision = this.revision + this.made.length + 1
    const record = { ...pending, inverse: goesOn(this.last, pending) ? null : inverse, revision, at }
    this.made = [...this.made, { pending, record, document }]
  }

  /** What is to be sent next, or null when all is with the server. */
  nextToSend(): { revision: number; edits: Pending<E>[] } | null {
    const edits: Pending<E>[] = []
    let size = 0
    for (const { pending } of this.made.slice(0, this.most)) {
      size += JSON.stringify(pending).length
      if (edits.length > 0 && size > MOST_CHARACTERS) break
      edits.push(pending)
    }
    this.sent = Math.max(this.sent, edits.length)
    return edits.length > 0 ? { revision: this.revision, edits } : null
  }

  /** The server has taken the first of what is pending, as it was sent, and tells it as its log has it now. */
  taken(revision: number, records: readonly LogRecord<E>[]): void {
    this.base = this.made[records.length - 1]?.document ?? this.base
    this.made = this.made.slice(records.length)
    this.sent = Math.max(0, this.sent - records.length)
    this.log = [...this.log, ...records]
    this.revision = revision
    this.most = Math.min(MOST_EDITS_SENT, this.most * 2)
  }

  /** Others were faster: their edits go beneath what is pending. Gives whether any of them was made elsewhere. */
  overtaken(revision: number, between: readonly LogRecord<E>[]): boolean {
    const mine = this.waiting(between)
    const here = new Set(this.made.map((m) => m.pending.id))
    const others = between.filter((b) => !here.has(b.id))
    this.base = rebase(this.editing, this.base, between, []).document
    this.contest(mine, others)
    this.revision = revision
    this.log = [...this.log, ...between]
    this.resume(mine)
    return others.length > 0
  }

  /** So much came between that the document is told anew. `taken` are those of the edits sent that are in it already. */
  begunAnew(told: ServerDocument<D, E>, taken: readonly Id[]): void {
    const mine = this.waiting([...taken.map((id) => ({ id })), ...told.log])
    this.base = told.document
    this.revision = told.revision
    this.log = told.log
    this.resume(mine)
  }

  /** What was sent was refused: less is tried next, until the one edit that is at fault is known and set aside. */
  refused(problem: Problem, sent: readonly Pending<E>[]): void {
    if (sent.length > 1) {
      this.most = Math.floor(sent.length / 2)
      return
    }
    const [first, ...others] = this.made
    const whole = first && this.wholeOf(first)
    if (whole && whole !== first.pending) {
      this.made = [{ ...first, pending: whole }, ...others]
      return
    }
    this.unkept = [...this.unkept, ...sent.map(({ edit }) => ({ edit, problem }))]
    this.resume(this.waiting(sent))
  }

  /** What is pending without what is known elsewhere, each said so that it holds whatever stands there before. */
  private waiting(without: readonly { id: Id }[]): Pending<E>[] {
    const ids = new Set(without.map((w) => w.id))
    return this.made.filter((m) => !ids.has(m.pending.id)).map((m) => this.wholeOf(m))
  }

  /** Notes what both hands have set at once, the latest of each. */
  private contest(mine: readonly Pending<E>[], others: readonly LogRecord<E>[]): void {
    const latest = <T extends { edit: E }>(edits: readonly T[]) =>
      new Map(edits.flatMap(({ edit }) => this.editing.targets(edit).map((target) => [target, edit] as const)))
    const theirs = latest(others)
    const both = [...latest(mine)].filter(([target]) => theirs.has(target))
    const met = new Map(
      both.map(([target, mine]) => [mine, { mine, theirs: this.editing.whole(this.base, theirs.get(target)!) }]),
    )
    const again = new Set(both.map(([target]) => target))
    const stillOpen = this.contests.filter((c) => !this.editing.targets(c.mine).some((t) => again.has(t)))
    this.contests = [...stillOpen, ...met.values()]
  }

  /** Puts edits onto the base; those that no longer apply are set aside with the reason. */
  private resume(mine: readonly Pending<E>[]): void {
    const before = new Map(this.made.map((m) => [m.pending.id, m.record]))
    /** Undo refers to edits by their revisions, which are others now. */
    const moved = new Map<number, number>()
    this.made = []
    this.sent = 0
    for (const { of, ...rest } of mine) {
      const result = this.editing.apply(this.document, rest.edit)
      if (!result.ok) {
        this.unkept = [...this.unkept, { edit: rest.edit, problem: result.problem }]
        continue
      }
      const was = before.get(rest.id)
      if (was) moved.set(was.revision, this.revision + this.made.length + 1)
      const pending = { ...rest, ...(of !== undefined && { of: moved.get(of) ?? of }) }
      this.add(pending, result.document, result.inverse, was?.at ?? 0)
    }
  }
}
