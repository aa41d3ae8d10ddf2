import { writeFile } from 'node:fs/promises'
import { join } from 'node:path'
import { guessKind, type FieldKind } from '../../core/fields'
import { readSheet } from './read'
import type { Sheet } from './sheet'

export interface SheetInput {
  path: string
  name: string
  /** Where what is read is kept. */
  folder: string
  encoding?: string
}

/** What is known of a file's rows; they stand in `rows.jsonl` of its folder, one to a line. */
export interface SheetInfo {
  format: Sheet['format']
  columns: string[]
  rows: number
  pictures: Sheet['pictures']
  first: Record<string, string>[]
  kinds: Record<string, FieldKind>
}

export const ROWS_FILE = 'rows.jsonl'
const SAMPLE = 400
const SHORT = 300

/** Reads a file and keeps its rows where they are found one by one. */
export async function keepSheet({ path, name, folder, encoding }: SheetInput): Promise<SheetInfo> {
  const { format, columns, rows, pictures } = await readSheet(path, name, join(folder, 'pictures'), encoding)
  await writeFile(join(folder, ROWS_FILE), rows.map((row) => JSON.stringify(row)).join('\n'), { mode: 0o600 })
  const sample = rows.slice(0, SAMPLE)
  const kinds = columns.map((column) => [column, guessKind(sample.map((row) => row[column] ?? ''))] as const)
  const first = rows
    .slice(0, 5)
    .map((row) => Object.fromEntries(Object.entries(row).map(([column, cell]) => [column, cell.slice(0, SHORT)])))
  return { format, columns, rows: rows.length, pictures, first, kinds: Object.fromEntries(kinds) }
}
