import { type Shape, kinds, shapesOf } from '../../shape'
import type { CircumstanceSpec, Need, Request } from '../spec'
import { type DateCircumstance, date } from './date'
import { type DeviceCircumstance, device } from './device'
import { type ParameterCircumstance, parameter } from './parameter'
import { type RoleCircumstance, role } from './role'
import { type SignedInCircumstance, signedIn } from './signed-in'

/** One line of Only when. Several values in one circumstance: any of them. */
export type Circumstance =
  ParameterCircumstance | DeviceCircumstance | RoleCircumstance | SignedInCircumstance | DateCircumstance

/** Every kind, in the order in which they are offered. */
export const CIRCUMSTANCES: { [K in Circumstance['kind']]: CircumstanceSpec<Extract<Circumstance, { kind: K }>> } = {
  parameter,
  device,
  role,
  'signed-in': signedIn,
  date,
}

export const circumstanceSpec = ({ kind }: Pick<Circumstance, 'kind'>): CircumstanceSpec<Circumstance> =>
  CIRCUMSTANCES[kind] as unknown as CircumstanceSpec<Circumstance>

export const circumstanceShape: Shape<Circumstance> = kinds(shapesOf(CIRCUMSTANCES), 'kind', 'circumstance')

/** Whether a circumstance holds for a request, with days counted in the site's time zone. */
export function holds(circumstance: Circumstance, request: Request, timeZone: string): boolean {
  return circumstanceSpec(circumstance).holds(circumstance, request, timeZone)
}

/** On what of a request a circumstance depends. */
export const needOf = (circumstance: Circumstance): Need => circumstanceSpec(circumstance).needs

/** True when two circumstances can never hold for the same visitor. */
export function excludeEachOther(a: Circumstance, b: Circumstance): boolean {
  return a.kind === b.kind && (circumstanceSpec(a).excludes?.(a, b) ?? false)
}

/** A circumstance as the end of a sentence: "when signed in". */
export const circumstanceName = (circumstance: Circumstance): string =>
  circumstanceSpec(circumstance).words(circumstance)
