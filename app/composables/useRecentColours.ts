import { useLocalStorage } from '@vueuse/core'
import { isColour } from '#core/styles'

const MOST = 8

/** Colours of no palette that were chosen last in this browser, the newest first. */
export function useRecentColours() {
  const kept = useLocalStorage<unknown>('outer-frame.colours', [])
  const recent = computed(() =>
    (Array.isArray(kept.value) ? kept.value : []).filter((c): c is string => isColour(c)).slice(0, MOST),
  )
  function note(colour: string): void {
    if (colour.startsWith('@')) return
    kept.value = [colour, ...recent.value.filter((c) => c !== colour)].slice(0, MOST)
  }
  return { recent, note }
}
