import { type Problem, problem } from '../problems'
import { type Shape, isRecord, refuse } from '../shape'
import { asSentence } from '../words'
import { circumstanceShape } from '../conditions'
import { frameShape } from './shapes'
import { targetShape } from './targets'

function checkLines(lines: unknown, shape: Shape, code: 'frame-target' | 'frame-circumstance'): Problem[] {
  if (!Array.isArray(lines)) return []
  return lines.flatMap((line: unknown) => {
    const why = refuse(shape, line)
    return why === null ? [] : problem(code, { why: asSentence(why) })
  })
}

/**
 * Every way in which a frame cannot be stored; none when it can. Targets that no longer exist are no reason:
 * they are reported by the checks. Takes anything at all.
 */
export function checkFrame(frame: unknown): Problem[] {
  const lines = isRecord(frame)
    ? [
        ...checkLines(frame.covers, targetShape, 'frame-target'),
        ...checkLines(frame.except, targetShape, 'frame-target'),
        ...checkLines(frame.onlyWhen, circumstanceShape, 'frame-circumstance'),
      ]
    : []
  if (lines.length > 0) return lines
  const why = refuse(frameShape, frame)
  return why === null ? [] : [problem('frame-shape', { why })]
}
