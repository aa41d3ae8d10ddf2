import type { FieldSpec } from '#core/fields'

/** In which kind of HTML input people write what a field is compared with. */
export const INPUT_TYPES: Readonly<Record<FieldSpec['comparedWith'], string>> = {
  words: 'text',
  number: 'number',
  day: 'date',
  'yes-no': 'text',
}
