import { type Frame, type OutcomeTable, type Request, tabulate } from '#core/frames'
import type { LayoutRegion } from '#core/layouts'
import { Catalogue, type Id, type Site } from '#core/site'

/** Resolves every page off the main thread. It is told the site once, then asked for tables. */

export type ToMap =
  | { kind: 'site'; site: Site }
  | { kind: 'tabulate'; call: number; frames: Frame[]; layoutRegions: [Id, LayoutRegion][]; request: Request }

export interface FromMap {
  call: number
  table: OutcomeTable
}

let catalogue: Catalogue | null = null

self.onmessage = ({ data }: MessageEvent<ToMap>) => {
  if (data.kind === 'site') {
    catalogue = new Catalogue(data.site)
    return
  }
  if (!catalogue) return
  const rules = { frames: data.frames, layoutRegions: new Map(data.layoutRegions) }
  const table = tabulate(rules, catalogue, data.request)
  const answer: FromMap = { call: data.call, table }
  self.postMessage(answer, { transfer: [table.cells.buffer, table.deciders.buffer] })
}
