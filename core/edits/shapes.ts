import type { Pending } from './rebase'
import { type Shape, exact, id, isRecord, judged, oneOf, optional, whole } from '../shape'

/** The shapes of edits on their way; what an edit is itself is said by the kind of its document. */

/** How many edits may be sent together. */
export const MOST_EDITS_SENT = 200

const pendingOf = <E>(edit: Shape<E>): Shape<Pending<E>> =>
  exact({
    id: id('an edit has an id of 1 to 40 letters, digits, hyphens or underscores'),
    edit,
    does: oneOf(['edit', 'undo', 'redo'], 'say what the edit does'),
    of: optional(whole(1, 1e12)),
    run: optional(id()),
  })

/** An edit on its way, made somewhere and not answered yet: what surrounds it. It is judged itself when it is applied. */
export const pendingEnvelope = pendingOf(judged<object>((v) => (isRecord(v) ? null : 'an edit is missing')))
