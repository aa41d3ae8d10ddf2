import { type Condition, conditionHolds } from '../conditions'
import { countOf } from '../catalogue'
import type { Chunk } from './chunk'
import type { Scene } from './scene'

/** Whether all conditions hold in a scene; those of fields are asked of the entry that it is about. */
export function shownIn(conditions: readonly Condition[]): (scene: Scene) => boolean {
  const tests = conditions.map(conditionHolds)
  return (scene) => {
    const { subject, request, catalogue } = scene
    const entry = subject.kind === 'entry' ? subject.entry : null
    const count = () => countOf(subject, scene) ?? 0
    return tests.every((holds) => holds({ entry, request, catalogue, count }))
  }
}

/** A chunk that is drawn where its conditions hold, and else draws nothing. */
export function shownWhen(conditions: readonly Condition[] | undefined, chunk: Chunk): Chunk {
  if (!conditions?.length) return chunk
  const shown = shownIn(conditions)
  return (scene) => (shown(scene) ? (typeof chunk === 'string' ? chunk : chunk(scene)) : '')
}
