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
  css: [
    '.of-plan{display:grid;gap:1.2em}.of-plan figure{margin:0}.of-plan svg{display:block;width:100%;height:auto;max-width:720px;overflow:visible}.of-plan figcaption{margin-top:.5em;font-size:.9em}' +
      '.of-plan-rooms{fill:none;stroke:currentColor;stroke-width:2;stroke-linejoin:round;opacity:.45}.of-plan-in{fill:currentColor;opacity:.09}.of-plan-names{font-size:17px;text-anchor:middle;fill:currentColor;opacity:.75}' +
      '.of-plan-here{color:var(--c-link);fill:currentColor}.of-plan-marks circle{fill:currentColor;fill-opacity:.08;stroke:currentColor;stroke-width:1.5}.of-plan a{color:inherit}.of-plan ol a{color:var(--c-link)}.of-plan-marks text{font-size:14px;text-anchor:middle;fill:currentColor}' +
      '.of-plan ol{padding-left:1.6em;columns:14em;column-gap:2em}',
  ],
  summary: () => '',
  draw(element, compile) {
    const drawn = new DrawnPlan(element, compile, (name) => prop(element, floorPlan, name))
    return (scene) => drawn.draw(scene)
  },
}
