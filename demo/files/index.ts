import type { Id } from '../../core/model'
import type { SiteDocument } from '../../core/fields'
import { type Bell, strike } from './bell'
import { type PdfLine, brokenInto, pdf } from './pdf'

/** A file of the museum that is no picture, made by its own code. */
export interface DemoFile {
  id: Id
  fileName: string
  mime: string
  bytes: Buffer
  pages: number | null
}

const addressOf = ({ id, fileName }: Pick<DemoFile, 'id' | 'fileName'>): string => `/files/${id}/${fileName}`

const BELLS: Readonly<Record<string, Bell>> = {
  turret: { pitch: 165, rings: 1.6, strikes: 3 },
  longcase: { pitch: 330, rings: 0.9, strikes: 3 },
  bracket: { pitch: 494, rings: 0.7, strikes: 3 },
  regulator: { pitch: 262, rings: 1, strikes: 2 },
  lantern: { pitch: 392, rings: 0.8, strikes: 3 },
}

const named = (mechanism: string) => ({ id: `strike-${mechanism}`, fileName: `${mechanism}.wav` })

/** How a clock of a kind is heard to strike; null where it is not. */
export const strikeOf = (mechanism: string): string | null =>
  Object.hasOwn(BELLS, mechanism) ? addressOf(named(mechanism)) : null

/** Sounds are reckoned when their files are wanted: it takes a while. */
const strikes = (): DemoFile[] =>
  Object.entries(BELLS).map(([mechanism, bell]) => ({
    ...named(mechanism),
    mime: 'audio/wav',
    bytes: strike(bell),
    pages: null,
  }))

const plain = (text: string): PdfLine[] => brokenInto(text, 84).map((line) => ({ text: line, size: 12, gap: 18 }))
const head = (text: string): PdfLine[] =>
  brokenInto(text, 44).map((line, i, all) => ({ text: line, size: 20, bold: true, gap: i < all.length - 1 ? 26 : 40 }))

const REPORTS = new Map<Id, DemoFile>()

/** The condition report of an exhibit, as one of its documents. */
export function reportOf(id: Id, title: string, about: readonly string[]): SiteDocument {
  const pages = [
    [...head(title), ...plain('Condition report, Quillmere Clock Museum'), ...plain(about[0] ?? '')],
    ...about.slice(1).map((words, i) => [...head(`${i + 2}. What was seen`), ...plain(words)]),
  ]
  const bytes = pdf(pages)
  const file: DemoFile = {
    id: `report-${id}`,
    fileName: 'condition-report.pdf',
    mime: 'application/pdf',
    bytes,
    pages: pages.length,
  }
  REPORTS.set(file.id, file)
  return { name: 'Condition report', address: addressOf(file), size: bytes.length, pages: pages.length }
}

/** Every file of the museum; known once its exhibits are made. */
export const demoFiles = (): DemoFile[] => [...strikes(), ...REPORTS.values()]
