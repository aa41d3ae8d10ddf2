import type { Id } from '../model'
import type { Change } from '../tree'
import { settingAbout, settingKey } from './edits/settings'
import { keyOf } from './edits/spec'

/** By what own changes are told apart. */

/** What a change is about: no two of a variation are about the same. */
export function changeKey(change: Change): string {
  switch (change.kind) {
    case 'put':
      return keyOf('put', [change.node.id])
    case 'move':
    case 'gone':
      return keyOf(change.kind, [change.id])
    case 'spans':
      return keyOf('spans', [change.row])
    case 'set':
      return settingKey(change.edit)
  }
}

/** The thing that a change is about; null for the layout itself. */
export function changedThing(change: Change): Id | null {
  switch (change.kind) {
    case 'put':
      return change.node.id
    case 'spans':
      return change.row
    case 'set':
      return settingAbout(change.edit)
    default:
      return change.id
  }
}
