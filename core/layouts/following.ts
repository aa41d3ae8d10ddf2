import equal from 'fast-deep-equal'
import type { Edited } from '../edits'
import type { Id } from '../model'
import { type Problem, ProblemError, fail, failFirst, problem } from '../problems'
import { isRecord } from '../shape'
import { type Change, type Layout, type LayoutDocument, type Variation, copyOf, isVariation } from '../tree'
import { type EditResult, applyJudged } from './apply'
import { changeKey } from './change-keys'
import { patchBetween, patched } from './changes'
import { checkLayout, checkOwnChanges } from './check'
import type { Edit, OfFollowing } from './edits'
import { changesBetween } from './own-changes'
import { MOST_LEVELS, type Trees, noteVaried } from './trees'
import { vary } from './variation'

/**
 * Edits of layouts that may be variations. A variation is edited as what it shows; what that comes to is told apart
 * from its base again, and taken back as own changes, so that what followed before follows again.
 */

type Result = Edited<LayoutDocument, Edit>

const isOfFollowing = (edit: Edit): edit is OfFollowing =>
  edit.kind === 'own' || edit.kind === 'follow' || edit.kind === 'standAlone' || edit.kind === 'become'

const aboutFollowing = (edit: Edit): boolean =>
  edit.kind === 'batch' ? edit.edits.some(aboutFollowing) : isOfFollowing(edit)

/** What an edited layout may not be, whatever edit made it so: own changes that cannot stand together, or a loop of pieces. */
function refuseTogether(trees: Trees, before: LayoutDocument, document: LayoutDocument): void {
  if (isVariation(document)) failFirst(checkOwnChanges(document))
  // One that a file has in a loop can still be mended.
  if (document.region === 'piece' && trees.holdsItself(document) && !trees.holdsItself(before))
    fail('piece-loop', { name: document.name })
}

/** Applies an edit whose shape is known to a layout of any kind; as `applyEdit` otherwise. */
export function applyToDocument(trees: Trees, document: LayoutDocument, edit: Edit): Result {
  try {
    const result = made(trees, document, edit)
    // Own changes come together from several sides: what they are together is judged once, whatever made them.
    if (result.ok && result.document !== document) refuseTogether(trees, document, result.document)
    return result
  } catch (error) {
    if (error instanceof ProblemError) return { ok: false, problem: error.problem }
    throw error
  }
}

function made(trees: Trees, document: LayoutDocument, edit: Edit): Result {
  if (isOfFollowing(edit)) return applyFollowing(trees, document, edit)
  if (edit.kind === 'batch' && aboutFollowing(edit)) return oneByOne(trees, document, edit)
  return isVariation(document) ? asShown(trees, document, edit) : applyJudged(document, edit)
}

/** Several, each on what the one before came to. */
function oneByOne(trees: Trees, document: LayoutDocument, { label, edits }: Extract<Edit, { kind: 'batch' }>): Result {
  const inverses: Edit[] = []
  let current = document
  for (const edit of edits) {
    const result = applyToDocument(trees, current, edit)
    if (!result.ok) return result
    current = result.document
    inverses.push(result.inverse)
  }
  return {
    ok: true,
    document: equal(current, document) ? document : current,
    inverse: batch(label, inverses.reverse()),
  }
}

const batch = (label: string, edits: Edit[]): Edit => ({ kind: 'batch', label, edits })

/** What a variation follows, as it is drawn; refused where nothing is there to be followed. */
function baseOf(trees: Trees, variation: Variation): Layout {
  const { bases, baseless } = trees.basesOf(variation)
  if (baseless) return fail('base-gone', { name: variation.name })
  return trees.madeOf(bases[0]!).made
}

function asShown(trees: Trees, variation: Variation, edit: Edit): Result {
  const base = baseOf(trees, variation)
  const { made: tree, waiting } = trees.madeOf(variation)
  const result: EditResult = applyJudged(tree, edit)
  if (!result.ok) return result
  if (result.document === tree) return { ...result, document: variation }
  const { changes } = variation.follows
  const moved = new Set([...changes.flatMap((c) => (c.kind === 'move' ? c.id : [])), ...movedBy(edit)])
  const own = changesBetween(based(base, result.document), result.document, moved)
  const words = withWords(variation, result.document)
  const silent = stillSilent(base, result.document, words, own, silentOf(variation, base, tree, waiting))
  const after = withChanges(words, withOthers(own, [...silent, ...waiting]))
  SILENT.set(after, { base, silent })
  // What waits, or says nothing, may hold again as things are now.
  if (silent.length + waiting.length === 0) noteVaried(after, base, { tree: result.document, waiting: [] })
  return { ok: true, document: after, inverse: inverseOf(variation, after, result.inverse) }
}

/** Own changes that say nothing different now, by variation and by the base that this was found with. */
const SILENT = new WeakMap<Variation, { base: Layout; silent: readonly Change[] }>()

/**
 * Own changes that hold and say what the base says, too, or are about what is in a thing that is gone: they stay own, so
 * that they are heard when the base says something else.
 */
function silentOf(variation: Variation, base: Layout, tree: Layout, waiting: readonly Change[]): readonly Change[] {
  const known = SILENT.get(variation)
  if (known?.base === base) return known.silent
  const { changes } = variation.follows
  const moved = new Set(changes.flatMap((c) => (c.kind === 'move' ? c.id : [])))
  const heard = new Set([...changesBetween(based(base, tree), tree, moved), ...waiting].map(changeKey))
  const silent = changes.filter((change) => !heard.has(changeKey(change)))
  SILENT.set(variation, { base, silent })
  return silent
}

/** Those of some silent changes that are so still: none where by them something else would be shown. */
function stillSilent(
  base: Layout,
  shown: Layout,
  words: Variation,
  own: readonly Change[],
  silent: readonly Change[],
): readonly Change[] {
  if (silent.length === 0) return silent
  return equal(vary(base, words, withOthers(own, silent)).tree, shown) ? silent : []
}

const movedBy = (edit: Edit): Id[] =>
  edit.kind === 'move' ? [edit.id] : edit.kind === 'batch' ? edit.edits.flatMap(movedBy) : []

/** Own changes with others that are kept; what is said of the same now takes the place of those, and each is said once. */
function withOthers(own: readonly Change[], others: readonly Change[]): Change[] {
  if (others.length === 0) return [...own]
  const keys = new Set(own.map(changeKey))
  return [...own, ...others.filter((change) => !keys.has(changeKey(change)) && keys.add(changeKey(change)))]
}

/** The base under the id of what is told apart from it. */
const based = (base: Layout, { id }: Layout): Layout => ({ ...base, id })

function withWords(variation: Variation, { name, about }: Layout): Variation {
  const { about: _, ...rest } = variation
  return { ...rest, name, ...(about !== undefined && { about }) }
}

const withChanges = (variation: Variation, changes: readonly Change[]): Variation => ({
  ...variation,
  follows: { ...variation.follows, changes },
})

/** Whether two lists of own changes differ in nothing but in what is inside things of its own. */
function onlyWithinOwn(before: readonly Change[], after: readonly Change[]): boolean {
  if (before.length !== after.length) return false
  return before.every((change, i) => {
    const other = after[i]!
    if (change.kind !== 'put' || other.kind !== 'put') return equal(change, other)
    return changeKey(change) === changeKey(other) && change.parent === other.parent && change.after === other.after
  })
}

/** What takes an edit back: own changes as they were, so that what followed follows again. */
function inverseOf(before: Variation, after: Variation, shown: Edit): Edit {
  if (onlyWithinOwn(before.follows.changes, after.follows.changes)) return shown
  const patch = patchBetween(after.follows.changes, before.follows.changes)!
  const edits: Edit[] = []
  if (before.name !== after.name) edits.push({ kind: 'rename', id: before.id, name: before.name })
  if (before.about !== after.about) edits.push({ kind: 'describe', about: before.about ?? '' })
  // Last: whatever else is done may bring them into another order.
  edits.push({ kind: 'own', ...patch })
  return edits.length === 1 ? edits[0]! : batch('step', edits)
}

function applyFollowing(trees: Trees, document: LayoutDocument, edit: OfFollowing): Result {
  if (edit.kind === 'follow') return follow(trees, document, edit)
  if (edit.kind === 'become') return become(trees, document, edit.document)
  if (!isVariation(document)) return { ok: false, problem: problem('follows-none', { name: document.name }) }
  return edit.kind === 'own' ? setOwn(document, edit) : standAlone(trees, document)
}

function setOwn(variation: Variation, patch: Extract<Edit, { kind: 'own' }>): Result {
  const { changes } = variation.follows
  const next = patched(changes, patch)
  const inverse = patchBetween(next, changes)
  if (!inverse) return { ok: true, document: variation, inverse: patch }
  return { ok: true, document: withChanges(variation, next), inverse: { kind: 'own', ...inverse } }
}

function standAlone(trees: Trees, variation: Variation): Result {
  baseOf(trees, variation)
  const { follows } = variation
  const inverse: Edit = { kind: 'follow', base: follows.base, changes: [...follows.changes] }
  return { ok: true, document: trees.madeOf(variation).made, inverse }
}

function follow(trees: Trees, document: LayoutDocument, { base, changes }: Extract<Edit, { kind: 'follow' }>): Result {
  if (isVariation(document)) return { ok: false, problem: problem('follows-already', { name: document.name }) }
  const { kind, format, id, name, about, region } = document
  const bare: Variation = {
    ...{ kind, format, id, name, region, ...(about !== undefined && { about }) },
    follows: { base, changes: [] },
  }
  failBaseless(trees, bare)
  const of = trees.madeOf(trees.document(base)!).made
  const before = changes && vary(of, bare, changes)
  const same = before && equal(before.tree, document)
  const own = same ? changes : asItLooks(of, document, bare, before?.waiting ?? [])
  return { ok: true, document: withChanges(bare, own), inverse: { kind: 'standAlone' } }
}

/** Own changes that a layout comes to, with those of what waited that do so still: nothing looks different by them. */
function asItLooks(base: Layout, shown: Layout, words: Variation, waited: readonly Change[]): Change[] {
  const own = changesBetween(based(base, shown), shown)
  const still = new Set(vary(base, words, withOthers(own, waited)).waiting)
  const all = withOthers(
    own,
    waited.filter((change) => still.has(change)),
  )
  return equal(vary(base, words, all).tree, shown) ? all : own
}

function become(trees: Trees, before: LayoutDocument, after: LayoutDocument): Result {
  if (after.id !== before.id) return { ok: false, problem: problem('other-id', { id: before.id }) }
  if (after.region !== before.region) return { ok: false, problem: problem('other-region', { name: after.name }) }
  const [broken] = checkLayout(after)
  if (broken) return { ok: false, problem: broken }
  if (isVariation(after)) failBaseless(trees, after)
  return {
    ok: true,
    document: equal(before, after) ? before : copyOf(after),
    inverse: { kind: 'become', document: before },
  }
}

/** Why a variation cannot be: its base is none, is itself, is for another region, or follows too many. */
export function refuseBaseless(trees: Trees, variation: Variation): Problem[] {
  const { baseless } = trees.basesOf(variation, MOST_LEVELS)
  const { base } = variation.follows
  const name = trees.document(base)?.name ?? base
  switch (baseless) {
    case null:
      return []
    case 'missing':
      return [problem('layout-unknown', { id: base })]
    case 'region':
      return [problem('other-region', { name })]
    case 'levels':
      return [problem('too-many-levels', { name, most: MOST_LEVELS })]
    case 'id':
      return [problem('id-taken', { id: variation.id })]
    case 'loop':
      return [problem('follows-itself', { name })]
  }
}

export const failBaseless = (trees: Trees, variation: Variation): void => failFirst(refuseBaseless(trees, variation))

/**
 * The bases that an edit would have a layout follow. The edit may be of any shape, not judged yet: to judge a large
 * one takes long, and what it names is asked for before that.
 */
export function basesNamed(edit: unknown): Id[] {
  const found: unknown[] = []
  const left = [edit]
  for (let next = left.pop(); next !== undefined; next = left.pop()) {
    if (!isRecord(next)) continue
    if (next.kind === 'follow') found.push(next.base)
    if (next.kind === 'become' && isRecord(next.document) && isRecord(next.document.follows))
      found.push(next.document.follows.base)
    if (next.kind === 'batch' && Array.isArray(next.edits)) left.push(...(next.edits as unknown[]))
  }
  return found.filter((id): id is Id => typeof id === 'string')
}
