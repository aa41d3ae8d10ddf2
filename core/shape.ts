import {
  type AnyObjectSchema,
  type AnySchema,
  type ArraySchema,
  type NumberSchema,
  type StringSchema,
  ValidationError,
  array,
  boolean,
  lazy,
  mixed,
  number,
  object,
  string,
} from 'yup'

/**
 * The words in which shapes of stored documents are written: Yup schemas that are exact (no unknown key), closed
 * and bounded. What a document means (whether what it names exists, whether spans add up) is said by the specs.
 */

/** Nothing that is stored or sent is nested deeper than this. */
export const MOST_DEPTH_OF_ALL = 120

declare const OF: unique symbol
declare const OPTIONAL: unique symbol

/** A schema of values of type T. T exists for the compiler alone. */
export type Shape<T = unknown> = AnySchema & { readonly [OF]?: () => T }
/** A schema of a key that may be left out. */
export type OptionalShape<T = unknown> = Shape<T> & { readonly [OPTIONAL]?: true }

/** The type of the values that a schema accepts. */
export type Of<S> = S extends { readonly [OF]?: () => infer T } ? T : never

type Keys<F, Left extends boolean> = {
  [K in keyof F]: typeof OPTIONAL extends keyof F[K] ? (Left extends true ? K : never) : Left extends true ? never : K
}[keyof F]
type Flat<T> = { [K in keyof T]: T[K] }
/** The type of an object whose keys have these schemas. */
export type ObjectOf<F> = Flat<{ [K in Keys<F, false>]: Of<F[K]> } & { [K in Keys<F, true>]?: Of<F[K]> }>

/**
 * A type in which each key says whether it may be left out. Two types that can be assigned to each other may still
 * differ in optional keys; in this form they cannot.
 */
type KeyedType<T> = T extends readonly (infer E)[]
  ? KeyedType<E>[]
  : T extends object
    ? {
        [K in keyof T]-?: [
          KeyedType<Exclude<T[K], undefined>>,
          object extends Pick<T, K> ? 'may be left out' : 'is there',
        ]
      }
    : T

type Differs<A, B> = [KeyedType<A>] extends [KeyedType<B>]
  ? [KeyedType<B>] extends [KeyedType<A>]
    ? unknown
    : 'the type allows what the shape refuses'
  : 'the shape allows what the type does not have'

/** Returns the schema as one of T. The compiler refuses a schema that differs from T in any key, in either direction. */
export const shapeOf =
  <T>() =>
  <S extends Shape>(shape: S & Differs<Of<S>, T>): Shape<T> =>
    shape as Shape<T>

/** What anything of a site is known by, for life. */
export type Id = string

/** Anything at all as a few words for a sentence; a value that cannot be made a text of is no reason to fail. */
export function shown(value: unknown, most = 40): string {
  return (typeof value === 'string' ? value : (JSON.stringify(value) ?? 'nothing')).slice(0, most)
}

/** Where something stands, as the beginning of a sentence; Yup says `this` for the whole. */
const at = ({ path }: { path: string }): string => (!path || path === 'this' ? 'it' : path)
const missing = (p: { path: string }) => `${at(p)} is missing`
const wrongKind = (p: { path: string }) => `${at(p)} is of the wrong kind`

/** Missing, null or of the wrong kind: said in one sentence when there is one, else by where it stands. */
function asked<T, S extends AnySchema = AnySchema>(schema: S, why?: string): S & Shape<T> {
  const strict = schema.strict().typeError(why ?? wrongKind) as AnySchema
  return strict.defined(why ?? missing).nonNullable(why ?? missing) as S & Shape<T>
}

/** Schemas that take further tests, such as `.min` and `.matches`. */
type TextShape = StringSchema & Shape<string>
type NumberShape = NumberSchema & Shape<number>
type ListShape<T> = ArraySchema<unknown[] | undefined, object> & Shape<T[]>

/** A text of at most so many characters. `why` is said instead of where it stands and what is wrong. */
export function text(most: number, why?: string): TextShape {
  return asked<string, StringSchema>(string(), why).max(
    most,
    why ?? ((p) => `${at(p)} has more than ${most} characters`),
  )
}

/** A text that must match. */
export function pattern(expression: RegExp, why: string): TextShape {
  return asked<string, StringSchema>(string(), why).matches(expression, why)
}

/** The id of a row, column, element, layout, frame or edit. */
export const ID = /^[\w-]{1,40}$/
/** The id of something of the site, or the key of a page. */
export const KEY = /^[\w:-]{1,120}$/

export const id = (why = 'an id is 1 to 40 letters, digits, hyphens or underscores') => pattern(ID, why)
export const key = (why = 'a name by which something of the site is known is missing') => pattern(KEY, why)

/** A number that JSON can hold, within bounds. */
export function numeric(least = -1e12, most = 1e12, why?: string): NumberShape {
  const outside = why ?? ((p: { path: string }) => `${at(p)} must be a number from ${least} to ${most}`)
  return asked<number, NumberSchema>(number(), why).min(least, outside).max(most, outside)
}

export function whole(least: number, most: number, why?: string): NumberShape {
  return numeric(least, most, why).integer(why ?? ((p) => `${at(p)} must be a whole number`))
}

export const yesNo = (why?: string): Shape<boolean> => asked(boolean(), why)
/** `true` and nothing else: a key that is left out where it does not hold. */
export const yes = (why?: string): Shape<true> => asked(boolean().isTrue(why), why)

export function oneOf<const T extends string | number>(values: readonly T[], why?: string): Shape<T> {
  return asked<T>(mixed<T>(), why).oneOf([...values], why ?? ((p) => `${at(p)} must be one of ${values.join(', ')}`))
}

/** A list of at most so many. */
export function list<T>(of: Shape<T>, most: number, why?: string): ListShape<T> {
  return asked<T[], ListShape<T>>(array().of(of) as unknown as ListShape<T>, why).max(
    most,
    why ?? ((p) => `${at(p)} holds more than ${most} things`),
  )
}

/** An object with these keys and no others. */
export function exact<F extends Record<string, Shape>>(fields: F, why?: string): Shape<ObjectOf<F>> {
  const schema = asked<ObjectOf<F>>(object(fields), why)
  // An object that is not there is not made up from its parts.
  return (schema.default(undefined) as AnyObjectSchema).noUnknown(
    true,
    ({ path, unknown }) => `${at({ path })} has keys that are unknown: ${shown(unknown, 60)}`,
  ) as Shape<ObjectOf<F>>
}

/** May be left out; null is not nothing. */
export const optional = <T>(schema: Shape<T>): OptionalShape<T> => schema.optional() as OptionalShape<T>
/** May be null. */
export const orNull = <T>(schema: Shape<T>): Shape<T | null> => schema.nullable() as Shape<T | null>

/** Null and nothing else; and what is left out. Made once: a shape is slow to make and fast to ask. */
export const NOTHING = orNull(text(0)) as Shape<null>
export const ABSENT = optional(text(0)) as OptionalShape<never>

/** A shape that depends on the value, as a schema among others. */
export function byValue<S extends Shape>(pick: (value: unknown) => S): Shape<Of<S>> {
  return lazy((value: unknown, options) => {
    let shape: Shape = pick(value)
    // One that depends on the value in its turn must be told it.
    while (isLazy(shape)) shape = (shape as unknown as { resolve(o: object): Shape }).resolve({ ...options, value })
    return shape
  }) as unknown as Shape<Of<S>>
}

/** A schema, or a function that returns it: schemas that contain each other are read when a value is judged. */
type Deferred<T> = Shape<T> | (() => Shape<T>)
const resolved = <T>(shape: Deferred<T>): Shape<T> => (typeof shape === 'function' ? shape() : shape)

/** May be left out. Unlike `optional`, it takes any schema, also one that depends on the value. */
export const maybe = <T>(shape: Deferred<T>): OptionalShape<T> =>
  byValue((value) => (value === undefined ? ABSENT : resolved(shape))) as OptionalShape<T>
/** May be null. Unlike `orNull`, it takes any schema, also one that depends on the value. */
export const orNothing = <T>(shape: Deferred<T>): Shape<T | null> =>
  byValue<Shape<T> | Shape<null>>((value) => (value === null ? NOTHING : resolved(shape))) as Shape<T | null>
/** An object with the same schema under each of these names. */
export const each = <K extends string, S extends Shape>(names: readonly K[], shape: S): Record<K, S> =>
  Object.fromEntries(names.map((name) => [name, shape])) as Record<K, S>

const isLazy = (shape: object): boolean => !('tests' in shape)

/** What a plain object is here: neither null, nor a list, nor anything with a life of its own. */
export const isRecord = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** An object of many things by names that are not known beforehand. */
export function record<T>(names: RegExp, of: Shape<T>, most: number, why?: string): Shape<Record<string, T>> {
  return asked<Record<string, T>>(mixed<Record<string, unknown>>(), why).test({
    name: 'record',
    test(value, context) {
      // Whether it may be left out is asked before.
      if (value === undefined || value === null) return true
      const refused = (message: string) => context.createError({ message: why ?? message })
      if (!isRecord(value)) return refused(wrongKind(context))
      const keys = Object.keys(value)
      if (keys.length > most) return refused(`${at(context)} holds more than ${most} things`)
      const odd = keys.find((k) => !names.test(k) || k === '__proto__')
      if (odd !== undefined) return refused(`${at(context)} has a key that cannot be: ${odd.slice(0, 40)}`)
      for (const k of keys) {
        const wrong = refuse(of, value[k])
        if (wrong) return refused(`${at(context)}, ${k}: ${wrong}`)
      }
      return true
    },
  })
}

/** One of several shapes, told apart by the value of a key; a value that names none of them is refused. */
export function kinds<F extends Record<string, Shape>>(table: F, by = 'kind', what = 'it'): Shape<Of<F[keyof F]>> {
  return byValue((value): Shape<Of<F[keyof F]>> => {
    const name = isRecord(value) ? value[by] : undefined
    if (typeof name === 'string' && Object.hasOwn(table, name)) return table[name] as Shape<Of<F[keyof F]>>
    return never(isRecord(value) ? `there is no ${what} called ${shown(name)}` : `${what} cannot be read`)
  })
}

/** The schemas of a table of specs, by its keys. */
export const shapesOf = <T extends Record<string, { shape: Shape }>>(specs: T): { [K in keyof T]: T[K]['shape'] } =>
  Object.fromEntries(Object.entries(specs).map(([kind, { shape }]) => [kind, shape])) as {
    [K in keyof T]: T[K]['shape']
  }

/** Refuses anything, with a reason. */
export function never(why: string): Shape<never> {
  return mixed()
    .nullable()
    .test({ name: 'never', test: (_, context) => context.createError({ message: why }) })
}

/** Judged by a function that gives the reason for a refusal as the end of a sentence; it is asked of nothing too. */
export function judged<T = unknown>(refuses: (value: unknown) => string | null): Shape<T> {
  return mixed()
    .nullable()
    .test({
      name: 'judged',
      test(value, context) {
        const why = refuses(value)
        return why === null || context.createError({ message: why })
      },
    })
}

/** A list of texts, each judged alike; quick, where there may be very many. */
export function texts<T extends string = string>(each: RegExp, most: number, why?: string, least = 0): Shape<T[]> {
  return judged((value) => {
    if (!Array.isArray(value)) return why ?? 'a list is missing'
    if (value.length > most || value.length < least) return why ?? `a list holds ${least} to ${most} things`
    return value.every((v) => typeof v === 'string' && each.test(v))
      ? null
      : (why ?? 'a list holds something that it cannot')
  })
}

/** Whether plain data is nested deeper than it may be; looks at everything once and does not call itself. */
export function tooDeep(value: unknown, most = MOST_DEPTH_OF_ALL): boolean {
  let level: unknown[] = [value]
  for (let depth = 0; level.length > 0; depth++) {
    if (depth > most) return true
    const next: unknown[] = []
    for (const item of level) {
      if (typeof item === 'object' && item !== null) for (const below of Object.values(item)) next.push(below)
    }
    level = next
  }
  return false
}

/** Why something has not the shape asked for, as a sentence without its full stop; null when it has. Takes anything. */
export function refuse(schema: Shape, value: unknown): string | null {
  if (tooDeep(value)) return 'it is nested too deep'
  try {
    schema.validateSync(value, { strict: true, abortEarly: true })
    return null
  } catch (error) {
    if (error instanceof ValidationError) return error.message.replace(/\.$/, '')
    throw error
  }
}
