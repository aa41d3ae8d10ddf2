import type { Shape } from '../shape'
import type { Parameters } from '../addresses'

/**
 * What a kind of circumstance is: one object in one file. What it holds for, its questions, words and checks derive
 * from it; to add a kind is to write its file and name it in the list.
 */

/** On what of a request a circumstance depends. */
export type Need =
  | 'address'
  | 'device'
  | 'session'
  | 'date'
  /** What is in the basket, or how many things are. */
  | 'basket'
  | 'count'

/** Who asks for a page: what circumstances are asked of. */
export interface Request {
  role: string
  signedIn: boolean
  device: Device
  /** Address parameters by name, each with all its values. */
  parameters: Parameters
  /** Milliseconds since 1970. */
  at: number
}

export const DEVICES = ['phone', 'tablet', 'desktop'] as const
export type Device = (typeof DEVICES)[number]

type Option = { value: string | number | boolean; label: string }

/** What is asked of whoever says a circumstance: one answer for each of its parts. `when` says where it is asked. */
export type Question<C> = { part: keyof C & string; label: string; when?(said: C): boolean } & (
  | { kind: 'words'; placeholder?: string }
  | { kind: 'list'; placeholder?: string }
  | { kind: 'one' | 'several'; options: readonly Option[] }
  | { kind: 'day' }
  | { kind: 'yes-no' }
)

export interface CircumstanceSpec<C> {
  shape: Shape<C>
  /** What it is called in a list of kinds. */
  label: string
  /** How one begins that has still to be said. */
  start: C
  questions: readonly Question<C>[]
  needs: Need
  /** Names of address parameters that it reads. */
  parameters?(circumstance: C): string[]
  holds(circumstance: C, request: Request, timeZone: string): boolean
  /** True when it and another of its kind can never hold for the same visitor. */
  excludes?(a: C, b: C): boolean
  /** The end of a sentence: "when signed in". */
  words(circumstance: C): string
}
