import type { Scene } from '../../drawing'
import type { Entry } from '../../model'
import { entryName } from '../../catalogue'
import type { LayoutElement } from '../../tree'
import { prop } from '../base'
import { entryList } from './entry-list'
import { relatedOn } from './listed'
import { planOf } from './plan'

/** Why an entry stands among those related to the one shown: what they share, in words; nothing for what fills up. */
export interface WhyRelated {
  entry: Entry
  name: string
  shares: string[]
}

/** What a key is called by which entries are related: a term, a person, another entry, a choice, or a text as it is. */
function called(key: string, { catalogue }: Scene): string {
  const choice = [...catalogue.types.values()]
    .flatMap((t) => t.fields)
    .flatMap((f) => f.choices ?? [])
    .find((c) => c.id === key)
  const other = catalogue.entries.get(key)
  return (
    catalogue.terms.get(key)?.title ??
    catalogue.people.get(key)?.name ??
    choice?.label ??
    (other ? entryName(other, catalogue.types.get(other.type)) : key)
  )
}

/** For a list of related entries, why each of them is there; null for any other list, and where no entry is shown. */
export function whyRelated(element: LayoutElement, scene: Scene): WhyRelated[] | null {
  const { subject, catalogue } = scene
  const plan = element.type === entryList.type ? planOf(element, (name) => prop(element, entryList, name)) : null
  if (plan?.source !== 'related' || subject.kind !== 'entry') return null
  return relatedOn(plan, scene, plan.most).map(({ entry, shares }) => ({
    entry,
    name: entryName(entry, catalogue.types.get(entry.type)),
    shares: shares.map((key) => called(key, scene)),
  }))
}
