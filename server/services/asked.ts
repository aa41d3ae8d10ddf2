import type { Device } from '../../core/conditions'
import type { Scene } from '../../core/drawing'
import type { FormState } from '../../core/forms'
import { type Shopping, sampleShopping } from '../../core/shop'
import type { Page } from '../../core/model'
import type { Parameters } from '../../core/addresses'
import type { LayoutElement } from '../../core/tree'
import type { Answer } from './answer'
import type { Upload } from './uploads'

/** What is asked of the published site, by whom, and who takes what its forms send. */

/** Who asks for a page. Only what the page depends on is found out; so what costs something is asked for late. */
export interface Asking {
  session(): Promise<{ id: number; role: string; name: string } | null>
  device(): Device
  /** Milliseconds since 1970. */
  at: number
  /** From where it is asked: the address of the other end. */
  place: string
  /** As they came. */
  cookies: string | undefined
  /** Whether the other end keeps cookies that are for sealed ways alone. */
  keepsCookies: boolean
}

/** Somebody of whom nothing is known: what files and tests are made for. */
export const ANYBODY: Asking = {
  session: async () => null,
  device: () => 'desktop',
  at: 0,
  place: '',
  cookies: undefined,
  keepsCookies: true,
}

/** Files that came along with a form, by the names of their fields. */
export type Files = Readonly<Record<string, readonly Upload[]>>

/** What a form sends to a page: its values by name, in their order. */
export interface Sent {
  page: Page
  /** The path at which it was asked for: the lost page has none of its own. */
  path: string
  values: Parameters
  /** Files that came along, by the names of their fields. */
  files: Files
  asking: Asking
  /** The page as it is drawn for whoever sends it. */
  scene: Scene
  /** An element that is on the page, by its type and its id. */
  element(type: string, id: string): LayoutElement | null
  /** All elements on the page. */
  elements: readonly LayoutElement[]
  /** The page once more, with what was sent and what is to be said of it. */
  redraw(state: FormState, status: number, more?: Partial<Scene>): Answer
}

/** What visitors are shown of the shop. */
export interface ShopDesk {
  /** How many things cookies say are in the basket. */
  count(cookies: string | undefined): number
  /** Where buyers may be led to pay. */
  readonly leadsTo: readonly string[]
  shopping(
    about: Pick<Scene, 'catalogue' | 'request'> & { asking: Asking; elements: readonly LayoutElement[] },
    scene: Scene,
  ): Promise<Shopping>
}

export const NO_SHOP: ShopDesk = {
  count: () => 0,
  leadsTo: [],
  shopping: ({ catalogue }) => Promise.resolve(sampleShopping(catalogue)),
}

/** What is done with what an element's form sends; by the type of the element. */
export type Posts = Readonly<Record<string, (sent: Sent) => Promise<Answer>>>
