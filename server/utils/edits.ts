import { type H3Event, setResponseStatus } from 'h3'
import { problem } from '../../core/problems'
import type { EditsAnswer, ErrorAnswer, FarAnswer, StaleAnswer } from '../../shared/api/types'
import type { EditsResult } from '../services/editing'
import { answerProblem } from './studio'

/** Answers edits of any kind of document: taken, refused, or 409 with what came between. */
export function answerEdits<D, E>(
  event: H3Event,
  result: EditsResult<D, E>,
  revision: number,
): EditsAnswer<E> | StaleAnswer<E> | FarAnswer<D, E> | ErrorAnswer {
  if (result.kind === 'refused') return answerProblem(event, result.problem)
  if (result.kind === 'done') return { revision: result.revision, records: result.records }
  setResponseStatus(event, 409)
  const stale = problem('stale-revision', { revision })
  return result.kind === 'far'
    ? { problem: stale, state: result.state, taken: result.taken }
    : { problem: stale, revision: result.revision, between: result.between }
}
