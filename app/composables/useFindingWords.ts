import type { Finding } from '#core/checks'
import { elementSpec, nodeName } from '#core/elements'
import type { Baseless } from '#core/layouts'
import { find } from '#core/tree'
import type { Id } from '#core/model'
import { fieldLabel } from '#core/catalogue'
import { counted, nounFor } from '#core/text'
import { useDesign } from '~/stores/design'
import { useMap } from '~/stores/map'
import { useSite } from '~/stores/site'
import { BASELESS_WORDS, DANGLING_NAMES, DOCUMENT_NAMES, SOLD_BY_WORDS } from './findingNames'

export interface FindingWords {
  /** What is the case. */
  says: string
  /** What to do about it. */
  todo: string
}

export interface FindingRow extends FindingWords {
  /** Where to go about it. */
  place: { to: string; label: string } | null
}

type MissingField = Extract<Finding, { kind: 'missing-field' }>

/** Findings as sentences: what is the case, and what to do. */
export function useFindingWords() {
  const design = useDesign()
  const map = useMap()
  const site = useSite()

  const frame = (id: Id): string => {
    return design.frameById.has(id) ? `“${map.labelOf(id)}”` : 'a frame that is gone'
  }
  const layout = (id: Id): string => `“${design.layoutName(id)}”`
  const page = (key: string): string => site.catalogue?.page(key)?.title ?? key
  const pages = (keys: readonly string[]): string => {
    if (keys.length === 1) return page(keys[0]!)
    const rest = keys.length - 2
    return `${keys.slice(0, 2).map(page).join(', ')}${rest > 0 ? ` and ${rest} more` : ''}`
  }
  const fieldName = (id: Id): string => (site.catalogue && fieldLabel(site.catalogue, { of: 'page', field: id })) ?? id
  const element = (layoutId: Id, node: Id): string => {
    const found = design.trees.tree(layoutId)
    const at = found && find(found, node)?.node
    return at ? nodeName(at) : 'something'
  }
  const owner = (
    f: Extract<Finding, { kind: 'dangling' | 'missing-field' | 'dead-link' | 'unsuited-test' }>,
  ): string => {
    if (f.kind === 'dangling' && !f.layout && (f.what === 'colour' || f.what === 'family')) return 'The house style'
    if ('frame' in f && f.frame) return `The frame ${frame(f.frame)}`
    if (f.layout && f.node) return `${element(f.layout, f.node)} in ${layout(f.layout)}`
    if ('menu' in f && f.menu) return `The menu “${site.catalogue?.menus.get(f.menu)?.name ?? f.menu}”`
    return 'entry' in f && f.entry ? `The entry ${page(`entry:${f.entry}`)}` : 'Something'
  }

  function words(f: Finding): FindingWords {
    switch (f.kind) {
      case 'tie':
        return {
          says: `${frame(f.frames[0])} and ${frame(f.frames[1])} are equal in every way, and both have a say on the ${f.region} of ${pages(f.pages)}.`,
          todo: 'Drag one of them above the other on the ladder, or make one of them narrower.',
        }
      case 'dead': {
        const todo = 'Change what it covers, raise it on the ladder, or remove it.'
        if (f.because === 'covers-nothing')
          return {
            says: `${frame(f.frame)} covers no page that there is.`,
            todo: 'Add what it covers, look at what it excepts, or remove it.',
          }
        if (f.because === 'says-nothing')
          return {
            says: `${frame(f.frame)} has no say on any region.`,
            todo: 'Choose a layout for a region, leave one empty, or remove it.',
          }
        return {
          says: `${frame(f.frame)} decides nothing anywhere: ${f.by.map(frame).join(', ')} ${nounFor(f.by.length, 'stands', 'stand')} before it everywhere.`,
          todo,
        }
      }
      case 'baseless':
        return {
          says: `Nothing is drawn of ${layout(f.layout)}: ${BASELESS_WORDS[f.because as Baseless](design.trees.document(f.base)?.name ?? f.base)}. What it says itself is kept.`,
          todo: 'Put its base back, or bring it back from a release.',
        }
      case 'waiting':
        return {
          says: `${counted(f.changes, 'own change')} of ${layout(f.layout)} ${f.changes === 1 ? 'waits' : 'wait'}: ${layout(f.base)}, which it follows, has nothing now that ${f.changes === 1 ? 'it holds' : 'they hold'} for. Nothing is lost.`,
          todo: 'Point them at something else on the bench, drop them, or let them wait until the thing is back.',
        }
      case 'unplaced':
        return {
          says:
            f.because === 'loop'
              ? `${layout(f.piece)} holds itself, so nothing of it is drawn in ${layout(f.layout)}.`
              : f.because === 'deep'
                ? `Too many pieces stand one in the other: ${layout(f.piece)} is not drawn in ${layout(f.layout)}.`
                : `The pieces in ${layout(f.layout)} come to too much: ${layout(f.piece)} is not drawn there.`,
          todo: f.because === 'loop' ? 'Take it out of the piece that holds it.' : 'Take some of the pieces out.',
        }
      case 'unfilled':
        return {
          says: `${counted(f.fills, 'thing')} that ${layout(f.layout)} says in ${layout(f.piece)} ${f.fills === 1 ? 'waits' : 'wait'}: the piece has no such thing now, or does not leave it open.`,
          todo: 'Leave it open in the piece, or drop what is said there.',
        }
      case 'unreached':
        return {
          says: `${layout(f.layout)} shows on no page: no frame that decides something uses it, and no list draws it.`,
          todo: 'Add a frame that uses it, or remove it.',
        }
      case 'content-never-shown':
        return {
          says: `${counted(f.pages.length, 'entry has', 'entries have')} content that ${layout(f.layout)} has no place for: ${pages(f.pages)}.`,
          todo: 'Add an Entry content element to the layout.',
        }
      case 'unsuited-test':
        return {
          says: `${owner(f)} has a condition that never holds: ${f.why}.`,
          todo: 'Remove the condition, or compare the field in a way that suits it.',
        }
      case 'missing-field': {
        const type = f.type
          ? (site.catalogue?.types.get(f.type)?.plural ?? 'a page type that is gone')
          : 'any page type'
        return {
          says: `${owner(f)} names the field “${fieldName(f.field)}”, which ${type} ${f.type ? 'do' : 'does'} not have.`,
          todo: 'Choose another field, or take it away.',
        }
      }
      case 'no-title':
        return f.titles === 0
          ? {
              says: `${pages(f.pages)}: no level 1 heading in any region.`,
              todo: 'Give the body or the intro a heading of level 1 that shows the title.',
            }
          : {
              says: `${pages(f.pages)}: ${f.titles} headings of level 1.`,
              todo: 'Keep one of them at level 1 and lower the others, or leave the intro empty there.',
            }
      case 'dangling':
        return f.what === 'wrong-region'
          ? {
              says: `${owner(f)} uses ${layout(f.id)} in a region that it is not for, so it passes.`,
              todo: 'Choose a layout for that region.',
            }
          : f.what === 'frame'
            ? {
                says: `${owner(f)} has chosen a frame that is gone or no longer offered.`,
                todo: 'Choose again when editing the entry.',
              }
            : {
                says: `${owner(f)} names a ${DANGLING_NAMES[f.what]} that no longer exists.`,
                todo: 'Choose another, or take it away.',
              }
      case 'open-link':
        return {
          says: `${f.words ? `“${f.words}”` : 'A link'} in ${element(f.layout, f.node)} of ${layout(f.layout)} leads nowhere yet, so visitors do not see it.`,
          todo: 'Say where it leads, or take it away.',
        }
      case 'dead-link':
        return {
          says: `${owner(f)} has a link to ${f.address}, where nothing stands.`,
          todo: 'Choose the page that is meant, or lead that address there under Visitors.',
        }
      case 'contrast': {
        const what = f.what === 'link' ? 'Links' : 'Words'
        const where = `${f.step === 'wide' ? '' : ` on ${f.step} screens`}${f.dark ? ', in the dark colours,' : ''}`
        return {
          says: `${what} of ${element(f.layout, f.node)} in ${layout(f.layout)} have a contrast of ${f.ratio} to 1${where}; less than 4.5 is hard to read.`,
          todo:
            f.what === 'link'
              ? 'Give it, or the row around it, a link colour that stands out from what lies behind.'
              : 'Choose another colour for the words, or for what lies behind them.',
        }
      }
      case 'spoilt':
        return {
          says: `What is stored of the ${DOCUMENT_NAMES[f.what]} “${f.id}” cannot be read, so it is left out: ${f.why}.`,
          todo: 'Put back a backup of the database, or make it anew. Nothing was taken away from what is stored.',
        }
      case 'undrawn':
        return {
          says: `${f.node ? element(f.layout, f.node) : 'Something'} in ${layout(f.layout)}, as it is released, could not be drawn and was left out: ${f.why}.`,
          todo: 'Change it or take it away, and release again. The log of the server has the details.',
        }
      case 'lacking': {
        const names = f.lacks.map((type) => `“${elementSpec(type)?.name ?? type}”`)
        const what = new Intl.ListFormat('en').format(names)
        return {
          says: `${pages(f.pages)} lacks ${what}: with ${f.layout ? layout(f.layout) : 'an empty body'} nobody could use it, so visitors see the plain one instead.`,
          todo: `Add ${what} to the layout.`,
        }
      }
      case 'unsold': {
        const type = site.catalogue?.types.get(f.type)?.plural ?? f.type
        return {
          says:
            f.by === 'tax'
              ? `${type} are sold with a tax that the shop does not have any more: the first of its taxes is taken.`
              : `${type} are sold by ${SOLD_BY_WORDS[f.by]} in a field that they do not have, or that is of another kind: each goes on by what it said there, if anything, and nobody can change it.`,
          todo: 'Say anew how they are sold.',
        }
      }
      case 'outside-form':
        return f.because === 'no-form'
          ? {
              says: `${element(f.layout, f.node)} in ${layout(f.layout)} stands in no form, so visitors do not see it.`,
              todo: 'Move it into a form, or take it away.',
            }
          : {
              says: `${element(f.layout, f.node)} in ${layout(f.layout)} stands in another form, so visitors do not see it.`,
              todo: 'Move it out of the form, or take it away.',
            }
      case 'plain-body':
        return {
          says: `${counted(f.pages.length, 'page has', 'pages have')} no body layout: ${pages(f.pages)}.`,
          todo: 'Add a frame with a body for them, if the plain one will not do.',
        }
    }
  }

  /** Where to go about it. */
  function place(f: Finding): FindingRow['place'] {
    if ('layout' in f && f.layout)
      return {
        to: `/studio/layouts/${f.layout}${'node' in f && f.node ? `?node=${f.node}` : ''}`,
        label: 'Open the layout',
      }
    if (f.kind === 'tie') return { to: `/studio?frame=${f.frames[1]}`, label: 'Open the frame' }
    if ('frame' in f && f.frame) return { to: `/studio?frame=${f.frame}`, label: 'Open the frame' }
    if ((f.kind === 'dangling' || f.kind === 'dead-link') && f.menu)
      return { to: `/studio/content/menus?menu=${f.menu}`, label: 'Open the menu' }
    if ((f.kind === 'dangling' || f.kind === 'dead-link') && f.entry)
      return { to: `/studio/content/entries/${f.entry}`, label: 'Open the entry' }
    if (f.kind === 'dangling' && (f.what === 'colour' || f.what === 'family'))
      return { to: '/studio/house', label: 'Open the house style' }
    if (f.kind === 'unsold') return { to: `/studio/content/types?type=${f.type}`, label: 'Open the page type' }
    if ('pages' in f && f.pages[0]) return { to: `/studio?page=${encodeURIComponent(f.pages[0])}`, label: 'See why' }
    return null
  }

  const row = (f: Finding): FindingRow => ({ ...words(f), place: place(f) })

  /** Findings as lines of a list; fields that one layout names and one page type does not have stand on one line. */
  function lines(findings: readonly Finding[]): FindingRow[] {
    const byLayout = new Map<string, MissingField[]>()
    for (const f of findings) {
      if (f.kind !== 'missing-field' || !f.layout) continue
      const key = `${f.layout} ${f.type}`
      byLayout.set(key, [...(byLayout.get(key) ?? []), f])
    }
    const gathered = [...byLayout.values()].map((all): FindingRow => {
      const first = all[0]!
      if (all.length === 1) return row(first)
      const fields = [...new Set(all.map((f) => fieldName(f.field)))]
      const type = site.catalogue?.types.get(first.type ?? '')?.plural ?? 'pages of that type'
      return {
        says: `${layout(first.layout!)} names ${fields.length} fields that ${type} do not have: ${fields.join(', ')}.`,
        todo: 'Choose other fields, take them away, or give those pages a layout of their own.',
        place: place(first),
      }
    })
    const others = findings.filter((f) => f.kind !== 'missing-field' || !f.layout)
    return [...gathered, ...others.map(row)]
  }

  return { words, lines }
}
