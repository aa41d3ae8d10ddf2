import { type Change, type Layout, find } from '../tree'
import { describeEdit, nameIn, nodeWords } from './edits'

/** An own change in a few words. `shown` is what is drawn of the variation, `base` what is drawn of what it follows. */
export function describeChange(change: Change, shown: Layout, base: Layout): string {
  switch (change.kind) {
    case 'put':
      return `${nodeWords(change.node)} added`
    case 'move':
      return `${nameIn(find(shown, change.id) ? shown : base, change.id)} moved`
    case 'gone':
      return `${nameIn(base, change.id)} taken out`
    case 'spans':
      return describeEdit({ kind: 'setSpans', row: change.row, spans: Object.values(change.spans) }, shown)
    case 'set':
      return describeEdit(change.edit, shown)
  }
}
