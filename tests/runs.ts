/**
 * How often a property is tried. An everyday run tries a third of what is written beside it, with other seeds each
 * time; `OUTER_FRAME_RUNS=1` tries all of it, `10` ten times as much.
 */
const share = Number(process.env['OUTER_FRAME_RUNS'] ?? 0.35)
export const runs = (often: number): number => Math.max(Math.min(often, 20), Math.ceil(often * share))
