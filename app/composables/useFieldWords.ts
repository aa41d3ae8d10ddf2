import type { FieldValue } from '#core/tree'
import { fieldText, sceneOf } from '#core/drawing'
import type { Page } from '#core/model'
import { fieldLabel } from '#core/catalogue'
import { useSite } from '~/stores/site'
import type { FieldWords } from './useFieldNode'

/** Names fields, and says what they hold on the page that is looked at. */
export function useFieldWords(page: () => Page): FieldWords {
  const site = useSite()
  return {
    name: (value: FieldValue | null) => (value && fieldLabel(site.catalogue!, value)) ?? 'missing field',
    now: (value: FieldValue | null) =>
      value && site.catalogue ? fieldText(value, sceneOf(site.catalogue, site.formats, page())) : '',
  }
}
