import { type Schema, array, mixed, number, object, string } from 'yup'
import type { Frame } from '../../core/frames'
import type { Edit, Layout } from '../../core/layouts'
import { LAYOUT_REGIONS } from '../../core/layouts'
import type { Choice, Parcel } from '../../core/formats'
import type { Entry, HomeChoice } from '../../core/site'
import { refuseEdit } from './edits'
import type {
  EditsInput,
  EntryInput,
  FrameInput,
  HomeInput,
  ImportInput,
  NewLayoutInput,
  ReleaseInput,
  SignInInput,
} from './types'

/** What the server accepts. The core judges documents; these judge what surrounds them. */

/** Yup cannot express what the tests inside have made sure of. */
const typed = <T>(schema: unknown) => schema as Schema<T>

const id = () =>
  string()
    .strict()
    .matches(/^[\w-]{1,40}$/, 'An id is 1 to 40 letters, digits, hyphens or underscores')
    .required('An id is missing')

const name = () => string().strict().trim().min(1, 'Give it a name').max(120, 'A name has at most 120 characters')

const revision = () => number().strict().integer().min(0).required('The revision is missing')

export const signInSchema = typed<SignInInput>(
  object({
    mail: string().strict().max(200, 'This mail address is too long').required('Enter your mail address'),
    password: string().strict().max(500, 'This password is too long').required('Enter your password'),
  }),
)

export const newLayoutSchema = typed<NewLayoutInput>(
  object({
    id: id(),
    name: name().required('Give it a name'),
    region: mixed<Layout['region']>()
      .oneOf([...LAYOUT_REGIONS], 'There is no such region')
      .required('Choose a region'),
    from: string()
      .strict()
      .matches(/^[\w-]{1,40}$/)
      .notRequired(),
  }),
)

const edit = mixed<Edit>().test('edit', (value, context) => {
  const why = refuseEdit(value)
  return why ? context.createError({ message: `An edit cannot be read: ${why}` }) : true
})

const pending = object({
  id: id(),
  edit: edit.required('An edit is missing'),
  does: mixed().oneOf(['edit', 'undo', 'redo']).required('Say what the edit does'),
  of: number().strict().integer().min(1).notRequired(),
})

export const editsSchema = typed<EditsInput>(
  object({
    revision: revision(),
    edits: array(pending.required()).min(1, 'There are no edits').max(500, 'Send at most 500 edits at once').required(),
  }),
)

export const frameSchema = typed<FrameInput>(
  object({
    revision: revision(),
    frame: mixed<Frame>()
      .test('frame', 'A frame is missing', (value) => typeof value === 'object' && value !== null)
      .required('A frame is missing'),
  }),
)

export const entrySchema = typed<EntryInput>(
  object({
    revision: revision(),
    entry: mixed<Entry>()
      .test('entry', 'An entry is missing', (value) => typeof value === 'object' && value !== null)
      .required('An entry is missing'),
  }),
)

export const homeSchema = typed<HomeInput>(
  object({
    home: mixed<HomeChoice>()
      .test('home', 'Home shows an entry or an archive', (value) => {
        const choice = value as Partial<Record<'kind' | 'entry' | 'type', unknown>> | undefined
        return (
          (choice?.kind === 'entry' && typeof choice.entry === 'string') ||
          (choice?.kind === 'archive' && typeof choice.type === 'string')
        )
      })
      .required('Choose what home shows'),
  }),
)

const choice = mixed<Choice>().test('choice', 'A choice is to keep, to drop, or to use something else', (value) => {
  const c = value as { do?: unknown; id?: unknown } | undefined
  return (
    c?.do === 'keep' || c?.do === 'drop' || (c?.do === 'use' && typeof c.id === 'string' && /^[\w:-]{1,80}$/.test(c.id))
  )
})

export const importSchema = typed<ImportInput>(
  object({
    parcel: mixed<Parcel>().required('A parcel is missing'),
    choices: mixed<Record<string, Choice>>()
      .default({})
      .test(
        'choices',
        'The choices cannot be read',
        (value) =>
          typeof value === 'object' && value !== null && Object.values(value).every((c) => choice.isValidSync(c)),
      ),
    leaveOut: array(string().strict().max(100).required()).max(5000).default([]),
  }),
)

export const releaseSchema = typed<ReleaseInput>(
  object({
    note: string().strict().max(500, 'A note has at most 500 characters').default(''),
  }),
)
