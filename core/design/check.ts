import { type Problem, problem } from '../problems'
import { type Shape, isRecord, refuse } from '../shape'
import { asSentence } from '../text'
import { type FieldTest, circumstanceShape, fieldsTested, unsuited } from '../conditions'
import type { Catalogue } from '../catalogue'
import type { Id } from '../model'
import { frameShape } from './shapes'
import { targetShape } from '../targets'
import type { DisplayRule } from './rule'

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

/** The field tests in the targets of a frame, each with the page type that it is asked of. */
export function testsIn({
  covers,
  except,
}: Pick<DisplayRule, 'covers' | 'except'>): { type: Id | null; test: FieldTest }[] {
  return [...covers, ...except].flatMap((target) =>
    target.kind === 'entries'
      ? target.where.flatMap((r) => (r.kind === 'field' ? [{ type: target.type, test: r }] : []))
      : [],
  )
}

/** Why some test of a frame can never mean anything on the field that it names; null where all can. */
export function refuseTests(frame: Pick<DisplayRule, 'covers' | 'except'>, catalogue: Catalogue): Problem | null {
  for (const { type, test } of testsIn(frame)) {
    const fields = fieldsTested(catalogue, type, test.field)
    const whys = fields.map((field) => unsuited(test, field))
    if (whys.length > 0 && whys.every((why) => why !== null))
      return problem('frame-target', { why: asSentence(whys[0]!) })
  }
  return null
}
