import type { LogRecord } from '../../core/edits'
import type { Id } from '../../core/model'
import type { LiveEvent, LivePerson } from '../../shared/api/types'

/** What is told at once is no longer than this; who is behind more asks for the document anew. */
const MOST_CHARACTERS = 200_000
/** More windows than this over one document are not told; they hear of changes when they send. */
const MOST_WINDOWS = 60

/** Nor are more windows of one person over all of them. */
const MOST_OF_ONE = 40

/** A window that has a document open. */
interface Window {
  id: Id
  user: number
  name: string
  /** What it has in hand. */
  node: Id | null
  tell(event: LiveEvent): void
  end(): void
}

/** All windows of this process that have a document open: told of each other, and of what is done to it. */
export class Live {
  private readonly windows = new Map<Id, Set<Window>>()

  /** Whether one more window of somebody may come to a document. */
  hasRoom(document: Id, user: number): boolean {
    if ((this.windows.get(document)?.size ?? 0) >= MOST_WINDOWS) return false
    let own = 0
    for (const windows of this.windows.values()) for (const window of windows) if (window.user === user) own++
    return own < MOST_OF_ONE
  }

  /** A window comes to a document; gives the way to leave, or null where there are too many. */
  join(document: Id, { id, user, name, tell, end }: Omit<Window, 'node'>): (() => void) | null {
    if (!this.hasRoom(document, user)) return null
    const here = this.windows.get(document) ?? new Set<Window>()
    const window: Window = { id, user, name, node: null, tell, end }
    this.windows.set(document, here.add(window))
    this.tellPeople(document)
    return () => {
      here.delete(window)
      if (here.size === 0) this.windows.delete(document)
      else this.tellPeople(document)
    }
  }

  /** A window has something else in hand. */
  at(document: Id, id: Id, node: Id | null): void {
    for (const window of this.windows.get(document) ?? []) if (window.id === id) window.node = node
    this.tellPeople(document)
  }

  /** Something was done to a document, by whom. */
  edited(document: Id, done: readonly LogRecord<unknown>[], by: string): void {
    const records = done.map((record) => ({ ...record, by }))
    const last = records.at(-1)
    if (!last || !this.windows.has(document)) return
    const small = JSON.stringify(records).length <= MOST_CHARACTERS
    this.tell(document, { kind: 'edits', revision: last.revision, records: small ? records : [] })
  }

  /** Something that is not told edit by edit was done to a document, which stands at a revision now. */
  moved(document: Id, revision: number): void {
    this.tell(document, { kind: 'edits', revision, records: [] })
  }

  /** What a document follows is another now. */
  baseChanged(document: Id, base: Id): void {
    this.tell(document, { kind: 'base', id: base })
  }

  /** Whether any window listens to anything. */
  hears(): boolean {
    return this.windows.size > 0
  }

  /** A document was taken away, by whom. */
  removed(document: Id, by: string): void {
    this.tell(document, { kind: 'removed', by })
  }

  /** What every document may show or name is another now. */
  changed(what: 'content' | 'shelf'): void {
    for (const document of this.windows.keys()) this.tell(document, { kind: 'changed', what })
  }

  private tell(document: Id, event: LiveEvent): void {
    for (const window of this.windows.get(document) ?? []) window.tell(event)
  }

  private tellPeople(document: Id): void {
    const here = [...(this.windows.get(document) ?? [])]
    for (const window of here) {
      const people: LivePerson[] = here
        .filter((w) => w !== window)
        .map(({ id, name, node }) => ({ window: id, name, node }))
      window.tell({ kind: 'people', people })
    }
  }

  /** Ends all, before the server stops. */
  end(): void {
    for (const windows of this.windows.values()) for (const window of [...windows]) window.end()
    this.windows.clear()
  }
}
