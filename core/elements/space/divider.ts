import type { ElementSpec } from '../base'

export const divider: ElementSpec = {
  type: 'divider',
  name: 'Divider',
  about: 'A line across the column.',
  group: 'Space',
  props: {},
  madeOf: [],
  css: ['.of-divider{border:0;border-top:1px solid;width:100%;margin:0;opacity:.8}'],
  styles: {},
  summary: () => '',
  draw: (element, compile) => `<hr${compile.attributes(element, 'divider')}>`,
}
