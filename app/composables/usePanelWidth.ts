import { useLocalStorage } from '@vueuse/core'

/** How narrow and how wide, in pixels, a panel beside the page may be. */
export const PANEL = { least: 180, most: 560 }

/** How wide a panel is in this browser; whatever was kept there, it is a width that a panel can have. */
export function usePanelWidth(name: string, usual: number) {
  const kept = useLocalStorage<number>(`outer-frame:${name}-width`, usual)
  return computed({
    get: () => (Number.isFinite(kept.value) ? Math.max(PANEL.least, Math.min(PANEL.most, kept.value)) : usual),
    set: (width) => (kept.value = Math.round(width)),
  })
}
