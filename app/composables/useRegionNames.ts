import type { Region } from '#core/tree'
import type { Shown } from '#core/design'
import { useDesign } from '~/stores/design'

export const REGION_NAMES: Record<Region, string> = { header: 'Header', intro: 'Intro', body: 'Body', footer: 'Footer' }

const SHOWN_NAMES = { empty: 'left empty', none: 'nothing', plain: 'plain body' }

/** What a region shows, in words. */
export function useShownName() {
  const design = useDesign()
  return (shown: Shown): string => (shown.kind === 'layout' ? design.layoutName(shown.layout) : SHOWN_NAMES[shown.kind])
}
