import { PAGE_STYLES } from '../../drawing'
import { type ElementSpec, prop } from '../base'
import { DrawnPlan } from './drawn-plan'

export const floorPlan: ElementSpec = {
  type: 'floor-plan',
  name: 'Floor plan',
  about:
    "Where the entry stands on the site's own floor plan, with what is close by; on archives, where all that is listed stands.",
  group: 'Entry',
  props: {
    field: {
      kind: 'entry-field',
      label: 'Stands by',
      default: null,
      for: 'place',
      hint: 'Nothing: by the first position that its type has.',
    },
    floors: {
      kind: 'choice',
      label: 'Floors',
      default: 'own',
      options: [
        { value: 'own', label: 'Where something stands' },
        { value: 'all', label: 'All of them' },
      ],
    },
    most: { kind: 'number', label: 'What is close by, at most', default: 4, min: 0, max: 20 },
    near: { kind: 'text', label: 'Above what is close by', default: 'Close by', most: 80 },
  },
  parts: {
    rooms: { label: 'Rooms' },
    names: { label: 'Names of rooms' },
    here: { label: 'Mark of the entry' },
    marks: { label: 'Marks of the others' },
    caption: { label: 'Where it is, in words' },
    heading: { label: 'Above what is close by', words: 'near' },
    list: { label: 'What is close by' },
  },
  linked: true,
  css: [PAGE_STYLES.floorPlan],
  summary: () => '',
  draw(element, compile) {
    const drawn = new DrawnPlan(element, compile, (name) => prop(element, floorPlan, name))
    return (scene) => drawn.draw(scene)
  },
}
