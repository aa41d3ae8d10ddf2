import { texts } from '../shape'
import { CHOSEN } from './comparisons'
import { CHOICES, choiceNamed } from './families'
import type { FieldSpec } from './spec'
import { allFound, isText, listOf, several, textsIn, wordsOf } from './values'

const labels = (value: unknown, field: Parameters<FieldSpec['toCell']>[1]): string[] =>
  Array.isArray(value) ? value.map((v) => wordsOf(v, field)) : []

export const choices: FieldSpec = {
  ...CHOICES,
  label: 'Several choices',
  about: 'Of those that you list.',
  roles: ['fact'],
  formats: ['list'],
  shape: texts(/^.{0,120}$/s, 200),
  suits: listOf(isText),
  holds: (value, field) => (value as unknown[]).every((id) => field.choices?.some((c) => c.id === id)),
  convert: (value, field) => allFound(textsIn(value).map((v) => choiceNamed(v, field))),
  guess: null,
  comparisons: CHOSEN,
  input: 'choices',
  toCell: (value, field) => (Array.isArray(value) ? several(labels(value, field)) : wordsOf(value, field)),
  toJson: (value, field, cell) => (Array.isArray(value) ? labels(value, field) : cell || null),
}
