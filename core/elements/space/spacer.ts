import type { ElementSpec } from '../base'

export const spacer: ElementSpec = {
  type: 'spacer',
  name: 'Spacer',
  about: 'Empty height, different on each width step if need be.',
  group: 'Space',
  props: {},
  madeOf: [],
  css: [],
  styles: { minHeight: { wide: 32 } },
  summary: () => '',
  draw: (element, compile) => `<div${compile.attributes(element, 'spacer')}></div>`,
}
