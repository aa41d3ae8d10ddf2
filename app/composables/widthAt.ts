import type { WidthStep } from '#core/tree'

/** The width, in pixels, at which a page is looked at for each width step. */
export const WIDTH_AT: Record<WidthStep, number> = { narrow: 390, medium: 820, wide: 1240 }
