import { type Finding, checkDesign } from '#core/checks'
import { Catalogue } from '#core/catalogue'
import type { DesignAnswer } from '#shared/api/types'
import { makeDemo } from '../../demo'
import { VISITOR } from '../fixtures'
import type { Client } from './client'

const catalogue = new Catalogue(makeDemo().site)

/** What the checks tell of the draft as it is stored, over the museum. */
export async function findings(client: Client): Promise<Finding[]> {
  const { layouts, frames, house } = (await client.call('GET', '/design')).body as unknown as DesignAnswer
  const design = {
    format: 1 as const,
    layouts: layouts.map((l) => l.layout),
    frames: frames.map((f) => f.frame),
    house,
  }
  return checkDesign(design, catalogue, VISITOR)
}
