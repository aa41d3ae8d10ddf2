import { type Chunk, type Scene, about, escapeHtml, fieldText, fill, textChunk } from '../../drawing'
import type { Entry, Id } from '../../model'
import { entrySubject, fieldLabel } from '../../catalogue'
import type { Value } from '../../tree'
import { itemsOf } from '../base'
import { titleLink } from './cards'

/** A column of a list that stands in a table: its head, and the field that it shows. */
export interface TableColumn {
  label: Chunk
  field: Id
  shown: { kind: 'field'; of: 'page'; field: Id }
}

/** The columns that a table is told; the titles alone where it is told none. */
export function columnsOf(value: Value): TableColumn[] {
  const columns = itemsOf(value).flatMap(({ props }) => {
    const field = props.field === undefined ? 'title' : props.field
    return typeof field === 'string' && field ? [columnOf(field, textChunk(props.label ?? ''))] : []
  })
  return columns.length > 0 ? columns : [columnOf('title', '')]
}

const columnOf = (field: Id, label: Chunk): TableColumn => ({
  label,
  field,
  shown: { kind: 'field', of: 'page', field },
})

/** Entries as a table, each a line that begins with what leads to its page. */
export function drawTable(
  entries: readonly Entry[],
  scene: Scene,
  columns: readonly TableColumn[],
  title: string,
): string {
  const head = ({ label, shown }: TableColumn): string =>
    fill([label], scene) || escapeHtml(fieldLabel(scene.catalogue, shown) ?? '')
  const line = (entry: Entry): string => {
    const own = about(scene, entrySubject(scene.catalogue, entry))
    const cells = columns.map(({ field, shown }, i) => {
      if (field === 'title') return `<th scope="row"${title}>${titleLink(entry, scene)}</th>`
      const text = escapeHtml(fieldText(shown, own))
      return i === 0 ? `<th scope="row">${text}</th>` : `<td>${text}</td>`
    })
    return `<tr>${cells.join('')}</tr>`
  }
  const heads = columns.map((column) => `<th scope="col">${head(column)}</th>`)
  return `<table><thead><tr>${heads.join('')}</tr></thead><tbody>${entries.map(line).join('')}</tbody></table>`
}
