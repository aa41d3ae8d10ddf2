import type { CodeProblem } from '../../shop'
import { PAGE_STYLES, FOCUS_CSS, type Scene, escapeHtml, plainText } from '../../drawing'
import { BUTTON_CSS, BUTTON_LOOK } from '../words'
import { QUESTION_CSS, askHtml } from '../forms'
import { type ElementSpec, prop, text } from '../base'
import { SHOP_CSS, SHOP_FORM, saying, shoppingOf } from './bits'

const WHY: Record<CodeProblem, string> = { unknown: 'unknown', over: 'over', little: 'little', none: 'nothing' }

/** Where a code is typed by which something costs less. */
export const discount: ElementSpec = {
  type: 'discount',
  name: 'Discount code',
  about: 'Takes a code by which something costs less, and says what came of it.',
  group: 'Shop',
  props: {
    ask: text('Label', 'Discount code', 80),
    label: text('Button', 'Use it', 80),
    used: { ...text('Once it is used', '{code} is used.', 200), hint: '{code} stands for the code.' },
    drop: text('Button that drops it', 'Leave it out', 80),
    unknown: text('Where there is none such', 'There is no such code.', 200),
    over: text('Where it holds no more', 'This code holds no more.', 200),
    little: text('For too little', 'This code is for larger baskets.', 200),
    nothing: text('For other things', 'This code is for nothing that is in your basket.', 200),
    often: text('After many tries', 'There were many tries. Please wait a few minutes.', 200),
    look: { ...BUTTON_LOOK, label: 'Look of the button', default: 'outlined' },
  },
  parts: {
    label: { label: 'Label', words: 'ask' },
    field: { label: 'Field', hides: false, states: ['hover', 'focus'] },
    button: { label: 'Button', hides: false, words: 'label', states: ['hover', 'focus'] },
    says: { label: 'What is said', hides: false },
  },
  css: [FOCUS_CSS, ...QUESTION_CSS, BUTTON_CSS, SHOP_CSS, PAGE_STYLES.discount],
  summary: () => '',
  draw(element, compile) {
    compile.depends('basket')
    compile.shopForm()
    compile.script('shop')
    const say = saying(element, discount)
    const plain = (name: string, scene: Scene) => plainText(prop(element, discount, name), scene)
    const part = (name: string, ...classes: string[]) => compile.part(element, name, ...classes)
    const open = `<div${compile.attributes(element, 'shop', 'code')}>`
    const parts = {
      label: part('label') + compile.words('ask'),
      field: part('field'),
      problem: part('says', 'problem'),
    }
    const says = part('says')
    const look = part('button', 'btn', compile.look(prop(element, discount, 'look')))
    const button = (does: string, words: string) =>
      `<button type="submit" form="${SHOP_FORM}" name="does" value="${does}"${look}>${words}</button>`
    const why = (scene: Scene): string | undefined => {
      const { codeWhy, tooManyCodes } = shoppingOf(scene)
      return tooManyCodes ? plain('often', scene) : codeWhy ? plain(WHY[codeWhy], scene) : undefined
    }
    return (scene) => {
      const { code, codeWhy } = shoppingOf(scene)
      if (code && !codeWhy) {
        const words = say('used', scene).replaceAll('{code}', () => escapeHtml(code))
        return `${open}<p${says}>${words} ${button('no-code', say('drop', scene))}</p></div>`
      }
      const ask = askHtml(
        {
          id: 'of-code',
          name: 'code',
          type: 'text',
          autocomplete: 'off',
          value: code,
          form: SHOP_FORM,
          why: why(scene),
        },
        { ...parts, labelled: say('ask', scene) },
      )
      return `${open}${ask}${button('code', say('label', scene))}</div>`
    }
  },
}
