import { nanoid } from 'nanoid'
import { elementSpec } from '#core/elements'
import type { Edit } from '#core/layouts'
import type { PlainEdit } from '#core/edits'
import { type NamedLook, looksFor } from '#core/styles'
import { type LayoutElement, STEPS, type TreeNode, copyOf } from '#core/tree'
import type { EditsAnswer } from '#shared/api/types'
import { useBench } from '~/stores/bench'
import { useDesign } from '~/stores/design'
import { useNotices } from '~/stores/notices'

/** The kind of thing that a named look is for. */
export const lookedKind = (node: TreeNode): string => (node.kind === 'element' ? node.type : node.kind)

/** Kinds that say by a value of theirs which look they have, as buttons do. */
const saysItself = (node: TreeNode): boolean =>
  node.kind === 'element' && Object.values(elementSpec(node.type)?.props ?? {}).some((p) => p.kind === 'look')

/** Named looks of the house style for what is in hand: given, taken away, and made of the looks that a thing has. */
export function useNamedLooks() {
  const bench = useBench()
  const design = useDesign()
  const notices = useNotices()
  const node = computed(() => bench.nodes.at(-1))
  const alike = computed(() => bench.nodes.every((n) => lookedKind(n) === lookedKind(node.value!)))
  const offered = computed<NamedLook[]>(() =>
    node.value && alike.value && !saysItself(node.value) ? looksFor(design.house, lookedKind(node.value)) : [],
  )
  const mayKeep = computed(
    () =>
      bench.nodes.length === 1 &&
      node.value !== undefined &&
      !saysItself(node.value) &&
      (Object.keys(node.value.styles).length > 0 || Object.keys((node.value as LayoutElement).looks ?? {}).length > 0),
  )

  function give(look: string): void {
    const edits = bench.chosen.map((id): Edit => ({ kind: 'setLook', id, look }))
    if (bench.apply(edits.length === 1 ? edits[0]! : { kind: 'batch', label: 'give a look', edits }))
      bench.tell(look ? 'Look given' : 'Without a named look')
  }

  /** Own looks of a thing as edits that take them away: they are in its named look from then on. */
  function without(one: TreeNode): Edit[] {
    const clear = (styles: TreeNode['styles'], at?: string): Edit[] =>
      Object.entries(styles).flatMap(([property, stepped]) =>
        STEPS.filter((step) => stepped[step] !== undefined).map((step): Edit => ({
          kind: 'setStyle',
          id: one.id,
          ...(at !== undefined && { at }),
          property,
          step,
          value: null,
        })),
      )
    const parts = one.kind === 'element' ? Object.entries(one.looks ?? {}) : []
    return [...clear(one.styles), ...parts.flatMap(([at, styles]) => clear(styles, at))]
  }

  /** Makes a named look of the house style of what a thing looks like, which has it from then on. */
  async function keep(name: string): Promise<void> {
    const one = node.value
    if (!one) return
    const looks = one.kind === 'element' ? copyOf(one.looks ?? {}) : {}
    const item: NamedLook = { id: nanoid(10), name, for: lookedKind(one), styles: copyOf(one.styles), looks }
    const made = await notices.attempt(async () => {
      const edit: PlainEdit = { kind: 'insert', at: ['looks'], index: design.house.looks.length, item }
      const { houseRevision } = await design.askHouse()
      const edits = [{ id: nanoid(12), does: 'edit' as const, edit }]
      await useApi<EditsAnswer<PlainEdit>>('POST', '/house/edits', { revision: houseRevision, edits })
      await design.askHouse()
      return true
    })
    if (!made) return
    const edits: Edit[] = [{ kind: 'setLook', id: one.id, look: item.id }, ...without(one)]
    if (bench.apply({ kind: 'batch', label: `look ${name}`, edits })) bench.tell(`Kept as “${name}”`)
  }

  return { offered, mayKeep, give, keep }
}
