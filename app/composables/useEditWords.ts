import { describeValue } from '#core/elements'
import type { Edit } from '#core/layouts'
import { useDesign } from '~/stores/design'

const MOST = 60
const short = (text: string) => (text.length > MOST ? `${text.slice(0, MOST)}…` : text)

/** What edits set, in a few words. */
export function useEditWords() {
  const names = useElementNames()
  const design = useDesign()
  const looks = computed(() => new Map(design.house.looks.map((look) => [look.id, look.name])))

  function whole(edit: Edit): string {
    if (edit.kind === 'setProperty')
      return edit.unset ? 'nothing' : describeValue(edit.value, names.value) || 'other words'
    if (edit.kind === 'setStyle' || edit.kind === 'setDefault')
      return edit.value === null ? 'nothing' : String(edit.value)
    if (edit.kind === 'setSpans') return edit.spans.join(' + ')
    if (edit.kind === 'setFill') return edit.unset ? 'as the piece says' : whole(edit.fill)
    if (edit.kind === 'setLook') return looks.value.get(edit.look) ?? (edit.look ? 'a look that is gone' : 'none')
    if (edit.kind === 'setOpen') return edit.open ? 'open' : 'not open'
    if (edit.kind === 'rename') return edit.name || 'no name'
    if (edit.kind === 'describe') return edit.about || 'nothing'
    if (edit.kind === 'setWhen') return edit.when.length > 0 ? 'other conditions' : 'always shown'
    return edit.kind === 'hidePart' ? (edit.hidden ? 'hidden' : 'shown') : 'several things'
  }

  return { valueOf: (edit: Edit): string => short(whole(edit)) }
}
