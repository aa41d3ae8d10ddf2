import { fail } from '../../problems'
import { exact, id, isRecord, byValue, list, oneOf, text, maybe, orNothing } from '../../shape'
import { layoutShape } from '../../tree'
import { changeKey } from '../change-keys'
import { MOST_CHANGES, changeShape, changesShape, variationShape } from '../shapes'
import { type EditSpec, SETS_NOTHING } from './spec'

/**
 * What is done to a variation as one: how it follows its base. These are applied to the document (`core/layouts/following.ts`);
 * what a variation shows cannot follow anything.
 */

const OF_DOCUMENT = {
  ...SETS_NOTHING,
  apply: ({ layout }: { layout: { name: string } }) => fail('follows-none', { name: layout.name }),
  about: () => null,
  aboutOther: () => null,
  thing: () => null,
}

/** The name of what an own change is about. */
const changeKeyShape = text(500)

/** Own changes as they are written down: which go, by their keys, and which come or stand anew. */
export const own: EditSpec<'own'> = {
  ...OF_DOCUMENT,
  shape: () =>
    exact({
      kind: oneOf(['own']),
      drop: list(changeKeyShape, MOST_CHANGES),
      put: list(exact({ change: changeShape, before: orNothing(changeKeyShape) }), MOST_CHANGES),
    }),
  words({ drop, put }, layout, others) {
    const keys = [...new Set([...drop, ...put.map((p) => changeKey(p.change))])]
    return keys.length === 1 ? others.keyWords(keys[0]!, layout) : `${keys.length} own changes`
  },
}

/** Follows a base, with what is shown differently as own changes. */
export const follow: EditSpec<'follow'> = {
  ...OF_DOCUMENT,
  shape: () =>
    exact({
      kind: oneOf(['follow']),
      base: id(),
      changes: maybe(changesShape),
    }),
  words: () => 'follow the base',
}

/** Follows no more: what is shown is its own from now on. */
export const standAlone: EditSpec<'standAlone'> = {
  ...OF_DOCUMENT,
  shape: () => exact({ kind: oneOf(['standAlone']) }),
  words: () => 'end following',
}

/** Stands as another document of the same layout does, whatever it followed before and follows then. */
export const become: EditSpec<'become'> = {
  ...OF_DOCUMENT,
  shape: () =>
    exact({
      kind: oneOf(['become']),
      document: byValue((v) => (isRecord(v) && v.follows !== undefined ? variationShape : layoutShape)),
    }),
  words: () => 'replace everything',
}
