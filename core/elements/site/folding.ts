import { type Compile, type Scene, escapeHtml, plainText } from '../../drawing'
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

export const PANEL_CSS =
  '.of-menu-button{font:inherit;color:inherit;background:none;border:1px solid;border-radius:var(--i-r);padding:.4em .8em;cursor:pointer}' +
  '.of-menu-panel{position:fixed;inset:0 0 auto;width:auto;height:auto;max-height:100%;margin:0;border:0;padding:1.2em var(--e) 1.6em;overflow:auto;text-align:start;background:var(--c-paper,#fff);color:var(--c-ink,#000)}' +
  '.of-menu-panel::backdrop{background:rgb(0 0 0/.45)}.of-menu-panel.of-side{inset:0 0 0 auto;width:min(22em,86vw);max-width:none;height:100%}' +
  '.of-menu-panel.of-whole{inset:0;width:100%;max-width:none;height:100%}.of-menu-panel:popover-open>ul{display:block;margin:1em 0 0}' +
  '.of-menu-panel:popover-open li{display:block;margin:.6em 0}.of-menu-panel:popover-open ul ul{display:block;position:static;border:0;padding:0 0 0 1.2em;background:none;color:inherit;min-width:0}' +
  '.of-menu-panel:popover-open :is(details,img){display:none}.of-menu-panel li::after{content:none!important}' +
  '.of-menu-panel .of-menu-button{display:block;margin-left:auto}' +
  (Object.keys(FOLDS) as Fold[]).map(foldCss).join('')

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
