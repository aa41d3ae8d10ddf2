import { PAGE_STYLES } from '../../drawing'
import type { ElementSpec } from '../base'

export const divider: ElementSpec = {
  type: 'divider',
  name: 'Divider',
  about: 'A line across the column.',
  group: 'Space',
  props: {},
  madeOf: [],
  css: [PAGE_STYLES.divider],
  styles: {},
  summary: () => '',
  draw: (element, compile) => `<hr${compile.attributes(element, 'divider')}>`,
}
