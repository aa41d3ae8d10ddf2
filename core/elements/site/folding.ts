import { type Compile, type Scene, escapeHtml, plainText, PAGE_STYLES } from '../../drawing'
import { STEP_LIMITS } from '../../styles'
import type { LayoutElement, Property, Value } from '../../tree'

/** Menus behind a button: a panel that is a popover, so that it opens and closes without script, by Esc too. */

/** From which width on a menu stands in its place; below it a button opens it in a panel. */
const FOLDS = { narrow: STEP_LIMITS.narrow, medium: STEP_LIMITS.medium, always: Infinity } as const
type Fold = keyof typeof FOLDS

const IN_PLACE =
  'display:block;position:static;width:auto;height:auto;max-height:none;margin:0;padding:0;border:0;overflow:visible;text-align:inherit;background:none;color:inherit'

const above = (width: number) => `@media (min-width:${Math.ceil(width)}px)`

/** Written for each width by itself, so that what folds nowhere carries nothing of it. */
const foldCss = (name: Fold): string =>
  Number.isFinite(FOLDS[name])
    ? `${above(FOLDS[name])}{.of-fold-${name}>.of-menu-panel{${IN_PLACE}}.of-fold-${name} .of-menu-button,.of-panel.of-below-${name}{display:none!important}}` +
      `@media (max-width:${FOLDS[name]}px){.of-away-${name}{display:none!important}}`
    : ''

export const PANEL_CSS = PAGE_STYLES.menuFolded + (Object.keys(FOLDS) as Fold[]).map(foldCss).join('')

/** What is asked about a panel and its button. */
export const PANEL_PROPS = {
  panel: {
    kind: 'choice',
    label: 'Its panel comes',
    default: 'down',
    options: [
      { value: 'down', label: 'From above' },
      { value: 'side', label: 'From the side' },
      { value: 'whole', label: 'Over the whole window' },
    ],
  },
  button: { kind: 'text', label: 'Button', default: 'Menu', most: 60 },
  close: { kind: 'text', label: 'Button that closes', default: 'Close', most: 60 },
} as const satisfies Record<string, Property>

export const PANEL_PARTS = {
  button: { label: 'Button', hides: false, words: 'button', states: ['hover', 'focus'] },
  panel: { label: 'Panel', hides: false },
} as const

/** Puts something into a panel, with the button that opens it and the one that closes it. */
export function panelOf(
  element: LayoutElement,
  compile: Compile,
  say: (name: keyof typeof PANEL_PROPS) => Value,
): (html: string, scene: Scene) => string {
  const id = `of-${escapeHtml(element.id)}`
  const kind = String(say('panel'))
  const button = `<button type="button"${compile.part(element, 'button', 'menu-button')}`
  const panel = `<div popover id="${id}"${compile.part(element, 'panel', 'menu-panel', ...(kind === 'down' ? [] : [kind]))}>`
  const words = compile.words('button')
  return (html, scene) => {
    // A button without words would not be known to those who do not see it.
    const said = (name: 'button' | 'close') => escapeHtml(plainText(say(name), scene) || PANEL_PROPS[name].default)
    const open = `${button} popovertarget="${id}"${words}>${said('button')}</button>`
    const close = `${button} popovertarget="${id}" popovertargetaction="hide">${said('close')}</button>`
    return `${open}${panel}${close}${html}</div>`
  }
}
