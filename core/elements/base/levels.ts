import type { Property } from '../../tree'

/** Of which level headings are that stand below the title of a page. */
export const headingLevel = (label: string): Extract<Property, { kind: 'choice' }> => ({
  kind: 'choice',
  label,
  default: '2',
  options: [
    { value: '2', label: 'Headings of level 2' },
    { value: '3', label: 'Headings of level 3' },
  ],
})
