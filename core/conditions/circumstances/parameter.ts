import { type Shape, byValue, exact, isRecord, never, oneOf, pattern, texts, shapeOf } from '../../shape'
import { or } from '../../text'
import type { CircumstanceSpec } from '../spec'

export interface ParameterCircumstance {
  kind: 'parameter'
  name: string
  op: 'present' | 'is' | 'contains'
  values: string[]
}

const NAME = pattern(
  /^[\w.~-]{1,60}$/,
  'A parameter name has letters, digits, dots, hyphens and underscores, and no blanks',
)
const asked = (op: ParameterCircumstance['op'], values: Shape<string[]>) =>
  shapeOf<ParameterCircumstance>()(exact({ kind: oneOf(['parameter']), name: NAME, op: oneOf([op]), values }))
const values = texts(/^.{1,200}$/s, 50, 'Say what the parameter should be', 1)
const SHAPES: Record<string, Shape<ParameterCircumstance>> = {
  present: asked('present', texts(/^.{0,200}$/s, 50)),
  is: asked('is', values),
  contains: asked('contains', values),
}

/** Names and values are compared exactly. */
const COMPARE: Record<'is' | 'contains', (value: string, asked: string) => boolean> = {
  is: (value, asked) => value === asked,
  contains: (value, asked) => value.includes(asked),
}

/** The address has a parameter. */
export const parameter: CircumstanceSpec<ParameterCircumstance> = {
  shape: byValue((v): Shape<ParameterCircumstance> => {
    const op = isRecord(v) ? v.op : undefined
    return typeof op === 'string' && Object.hasOwn(SHAPES, op)
      ? SHAPES[op]!
      : never('A parameter is there, is something, or contains something')
  }),
  label: 'the address has …',
  start: { kind: 'parameter', name: '', op: 'present', values: [] },
  questions: [
    { part: 'name', kind: 'words', label: 'Name of the parameter', placeholder: 'kiosk' },
    {
      part: 'op',
      kind: 'one',
      label: 'How it is compared',
      options: [
        { value: 'present', label: 'whatever it says' },
        { value: 'is', label: 'is' },
        { value: 'contains', label: 'contains' },
      ],
    },
    {
      part: 'values',
      kind: 'list',
      label: 'Compared with, several parted by commas',
      placeholder: 'one, or another',
      when: ({ op }) => op !== 'present',
    },
  ],
  needs: 'address',
  parameters: ({ name }) => [name],
  holds({ name, op, values }, { parameters }) {
    if (!Object.hasOwn(parameters, name)) return false
    const given = parameters[name]!
    return op === 'present' || values.some((asked) => given.some((value) => COMPARE[op](value, asked)))
  },
  words({ name, op, values }) {
    if (op === 'present') return `when the address has ?${name}`
    return `when ?${name} ${op === 'is' ? 'is' : 'contains'} ${or(values)}`
  },
}
