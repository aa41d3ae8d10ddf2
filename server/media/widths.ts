/** The widths in which pictures lie ready. */
export const WIDTHS = [320, 480, 640, 960, 1280, 1920, 2560] as const
const SIZED = new Set(['avif', 'webp', 'jpg', 'png'])

/** The widths in which a picture is to lie ready; none for drawings and what moves, which fit everywhere as they are. */
export function widthsOf(width: number, ending: string): number[] {
  if (!SIZED.has(ending)) return []
  const smaller = WIDTHS.filter((w) => w < width)
  const largest = WIDTHS.at(-1)!
  return [...smaller, ...(width <= largest ? [width] : [largest])].filter((w, i, all) => all.indexOf(w) === i)
}
