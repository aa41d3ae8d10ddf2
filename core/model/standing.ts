import type { Id } from '../shape'

/** What a floor plan is made of, and where something stands on it. Units are the plan's own; y grows upwards. */

export type Point = readonly [x: number, y: number]

/** An outline, a line or a spot of a floor. The rings of an area that lie within others are holes in it. */
export interface FloorShape {
  kind: 'area' | 'line' | 'spot'
  /** Empty for none. */
  name: string
  /** The term whose entries stand in it. */
  term?: Id
  paths: Point[][]
}

export interface Floor {
  id: Id
  name: string
  shapes: FloorShape[]
}

export interface FloorPlan {
  floors: Floor[]
}
