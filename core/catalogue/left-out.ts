import type { Subject } from './fields'
import type { LeftOut } from '../model'

/** Whether the page of an entry does without something: its writer left it out, and its type allows that. */
export function isLeftOut(what: LeftOut, subject: Subject): boolean {
  if (subject.kind !== 'entry') return false
  const { entry, type } = subject
  return (entry.leftOut?.includes(what) ?? false) && (type.mayLeaveOut?.includes(what) ?? false)
}
