import type { FieldTestOp } from '../../fields'
import type { ListPlan } from '../../drawing'
import { type Grouping, MARKED, PAGE, SORT, type Sort, parameterNames, parametersNamed, plainName } from '../../lists'
import type { Id } from '../../model'
import type { Item, LayoutElement, Value } from '../../tree'
import { itemsOf } from '../base'

/** What a list is told by its element, as a plan that holds on every page. */

const idOf = (value: Value | undefined): Id | null => (typeof value === 'string' && value !== '' ? value : null)

/** Items with a field that is chosen; others are not filled in yet. */
const withField = (items: readonly Item[]): { field: Id; props: Item['props'] }[] =>
  items.flatMap(({ props }) => {
    const field = idOf(props.field)
    return field ? [{ field, props }] : []
  })

const sortOf = ({ field, props }: ReturnType<typeof withField>[number]): Sort => ({ field, down: props.down === true })

type Say = (name: string) => Value

function groupingOf(say: Say): Grouping | null {
  const by = String(say('group'))
  const down = say('groupDown') === true
  const field = idOf(say('groupField'))
  if (by === 'letter') return { by, field: '', down }
  if (by === 'month') return { by, field: '', down: !down }
  if (by === 'field') return field ? { by, field, down } : null
  return null
}

/** Orders that visitors may choose, each named by its field, so that its address stays when others come or go. */
function waysOf(say: Say): ListPlan['ways'] {
  const ways = withField(itemsOf(say('ways'))).map((way) => ({ label: way.props.label ?? '', sort: sortOf(way) }))
  return unique(
    ways.map((way) => ({ ...way, name: (way.sort.down ? '-' : '') + plainName(way.sort.field) })),
    (way) => way.name,
  )
}

const unique = <T>(of: readonly T[], key: (one: T) => string): T[] => [...new Map(of.map((o) => [key(o), o])).values()]

/** The page types that an element names whose entries it lists. */
export const typesNamed = ({ props }: Pick<LayoutElement, 'props'>): Id[] =>
  [idOf(props.type ?? null), ...itemsOf(props.types ?? null).map((i) => idOf(i.props.type ?? null))].filter(
    (t): t is Id => t !== null,
  )

/** The page types of all that an element may list, as far as it says so itself; none where any type may come. */
export const typesListed = ({ props }: Pick<LayoutElement, 'props'>): Id[] =>
  props.source === undefined || props.source === 'newest' || props.source === 'related' ? typesNamed({ props }) : []

export function planOf(element: LayoutElement, say: Say): ListPlan {
  const filters = unique(withField(itemsOf(say('filters'))), (f) => f.field)
  const names = parameterNames(filters.map((f) => f.field))
  const types = [idOf(say('type')), ...itemsOf(say('types')).map((i) => idOf(i.props.type))]
  const by = String(say('relatedBy'))
  return {
    id: element.id,
    source: String(say('source')) as ListPlan['source'],
    types: types.filter((t): t is Id => t !== null),
    below: say('below') === true,
    chosen: itemsOf(say('chosen')).map((i) => i.props.entry ?? null),
    relating: {
      by: by === 'person' || by === 'field' ? by : 'terms',
      field: idOf(say('relatedField')) ?? '',
      fill: say('fill') === true,
    },
    where: withField(itemsOf(say('where'))).map(({ field, props }) => ({
      field,
      op: String(props.op ?? 'is') as FieldTestOp,
      value: props.value ?? null,
    })),
    filters: filters.map(({ field, props }, i) => ({
      field,
      range: props.range === true,
      name: names[i]!,
      label: props.label ?? '',
    })),
    words: say('words') === true,
    sorts: withField(itemsOf(say('sorts'))).map(sortOf),
    grouping: groupingOf(say),
    ways: waysOf(say),
    most: Number(say('most')),
    pages: say('pages') !== 'none',
  }
}

/** The address parameters that a list reads, whatever its fields turn out to be. */
export function parametersOfPlan({ source, filters, words, ways, pages }: ListPlan): string[] {
  return [
    ...(source === 'marked' ? [MARKED] : []),
    ...filters.flatMap(({ name }) => parametersNamed(name)),
    ...(words ? ['q'] : []),
    ...(ways.length > 0 ? [SORT] : []),
    ...(pages ? [PAGE] : []),
  ]
}
