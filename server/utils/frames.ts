import { type H3Event, setResponseStatus } from 'h3'
import { problem } from '../../core/problems'
import type { FrameState, StaleFrameAnswer } from '../../shared/api/types'

/** Answers a write of a frame: as it is stored now, or 409 with the frame as somebody else left it. */
export function answerFrame(
  event: H3Event,
  result: { stored: FrameState } | { stale: FrameState | null },
  revision: number,
): FrameState | StaleFrameAnswer {
  if ('stored' in result) return result.stored
  setResponseStatus(event, 409)
  return { problem: problem('stale-revision', { revision }), current: result.stale }
}
