import { type Edit, editValue } from '#core/layouts'
import { useDesign } from '~/stores/design'

const MOST = 60
const short = (text: string) => (text.length > MOST ? `${text.slice(0, MOST)}…` : text)

/** What edits set, in a few words. */
export function useEditWords() {
  const values = useElementNames()
  const design = useDesign()
  const looks = computed(() => new Map(design.house.looks.map((look) => [look.id, look.name])))

  return { valueOf: (edit: Edit): string => short(editValue(edit, { values: values.value, looks: looks.value })) }
}
