import {
  type AddressPart,
  type AddressUse,
  FIELD,
  addressField,
  addressParts,
  countryOf,
  isSame,
  neededParts,
  needsDelivery,
  soldTo,
  wayOf,
} from '../../shop'
import { PAGE_STYLES, type Scene, escapeHtml } from '../../drawing'
import { PLAIN_SHOP } from '../../selling'
import { BUTTON_CSS, BUTTON_LOOK } from '../words'
import { type ElementSpec, prop, text } from '../base'
import { SHOP_FORM, field, own, problemOf, saying, shoppingOf } from './bits'
import { GROUP_CSS, GROUP_PARTS } from './buyer'

const AUTOCOMPLETE: Record<AddressPart, string> = {
  name: 'name',
  organisation: 'organization',
  line1: 'address-line1',
  line2: 'address-line2',
  quarter: 'address-level3',
  city: 'address-level2',
  area: 'address-level1',
  code: 'postal-code',
}

const WORDS: Record<AddressPart | 'country', [label: string, words: string]> = {
  country: ['Asks for the country', 'Country'],
  name: ['Asks for the name', 'Name'],
  organisation: ['Asks for the organisation', 'Organisation (optional)'],
  line1: ['Asks for the street', 'Street and number'],
  line2: ['Asks for more of it', 'More of the address (optional)'],
  quarter: ['Asks for the quarter', 'Quarter (optional)'],
  city: ['Asks for the town', 'Town'],
  area: ['Asks for the region', 'Region'],
  code: ['Asks for the postal code', 'Postal code'],
}

const addressSpec = (use: AddressUse, name: string, about: string, heading: string): ElementSpec => ({
  type: `${use}-address`,
  name,
  about,
  group: 'Shop',
  once: true,
  props: {
    heading: text('Heading', heading, 120),
    ...Object.fromEntries(Object.entries(WORDS).map(([part, [label, words]]) => [part, text(label, words, 80)])),
    change: text('Button for another country', 'Use this country', 80),
    ...(use === 'delivery' && {
      same: text('Where it comes to the same address', 'To the address above', 120),
      other: text('Where it comes to another one', 'To another address', 120),
    }),
    look: { ...BUTTON_LOOK, label: 'Look of the button', default: 'outlined' },
  },
  parts: {
    ...GROUP_PARTS,
    organisation: { label: 'Organisation', words: 'organisation', plain: true },
    line2: { label: 'More of the address', words: 'line2', plain: true },
    button: { label: 'Button for another country', hides: false, words: 'change', states: ['hover', 'focus'] },
  },
  css: [...GROUP_CSS, BUTTON_CSS, PAGE_STYLES.address],
  summary: () => '',
  draw(element, compile) {
    const spec = use === 'billing' ? billingAddress : deliveryAddress
    compile.depends('basket')
    compile.shopForm()
    compile.script('shop')
    const say = saying(element, spec)
    const part = (name: string, ...classes: string[]) => compile.part(element, name, ...classes)
    const open = `<div${compile.attributes(element, 'shop')} data-shop="${use}"><fieldset class="of-other">`
    const heading = part('heading') + compile.words('heading')
    const parts = { label: part('label'), field: part('field'), problem: part('problem', 'problem') }
    const shows = (name: string) => compile.shows(element, name)
    const button = `<button type="submit" form="${SHOP_FORM}" name="does" value="update"${part('button', 'btn', compile.look(prop(element, spec, 'look')))}>`
    const countries = (scene: Scene, country: string): string => {
      const { settings } = scene.catalogue.site
      const { selling = PLAIN_SHOP } = settings
      const list = soldTo(selling, settings.locale)
      const name = addressField(use, 'country')
      // What was said before stays said, also where it is sold no more.
      const known = list.some((c) => c.id === country) ? list : [{ id: country, name: country }, ...list]
      const options = known.map(
        (c) => `<option value="${c.id}"${c.id === country ? ' selected' : ''}>${escapeHtml(c.name)}</option>`,
      )
      const select = `<select id="of-${name}" name="${name}" form="${SHOP_FORM}" autocomplete="country" data-shop-country${parts.field}>${options.join('')}</select>`
      return `<div class="of-country"><div class="of-question"><label for="of-${name}"><span${parts.label}>${say('country', scene)}</span></label>${select}${problemOf(scene, name, parts.problem)}</div>${button}${say('change', scene)}</button></div>`
    }
    const address = (scene: Scene): string => {
      const { said } = shoppingOf(scene)
      const { selling = PLAIN_SHOP } = scene.catalogue.site.settings
      const country = countryOf(said, use, selling)
      const needed = neededParts(country)
      const each = addressParts(country)
        .filter((p) => needed.includes(p) || !['organisation', 'line2'].includes(p) || shows(p))
        .map((p) =>
          field(
            scene,
            {
              name: addressField(use, p),
              type: 'text',
              autocomplete: `${use === 'billing' ? 'billing' : 'shipping'} ${AUTOCOMPLETE[p]}`,
              required: needed.includes(p),
            },
            { ...parts, labelled: say(p, scene) },
          ),
        )
      return countries(scene, country) + each.join('')
    }
    const choose = (scene: Scene, same: boolean): string =>
      (['yes', 'no'] as const)
        .map(
          (value) =>
            `<label class="of-pick"><input type="radio" form="${SHOP_FORM}" name="${FIELD.same}" value="${value}"${(value === 'yes') === same ? ' checked' : ''}><span>${say(value === 'yes' ? 'same' : 'other', scene)}</span></label>`,
        )
        .join('')
    return (scene) => {
      const { lines, said, asks } = shoppingOf(scene)
      const { selling = PLAIN_SHOP } = scene.catalogue.site.settings
      const asked = { shop: selling, lines, asks }
      // Nobody has to come anywhere with what is not brought.
      if (use === 'delivery' && !compile.open && (!needsDelivery(lines) || wayOf(asked, said)?.collected))
        return `${open.replace('<fieldset class="of-other">', '')}</div>`
      const legend = shows('heading') ? `<legend${heading}>${say('heading', scene)}</legend>` : ''
      if (use === 'billing' || !asks.has('billing')) return `${open}${legend}${address(scene)}</fieldset></div>`
      const same = isSame(said) && own(said, FIELD.same) !== 'no'
      return `${open}${legend}${choose(scene, same)}<div class="of-other-one of-shop">${address(scene)}</div></fieldset></div>`
    }
  },
})

export const billingAddress: ElementSpec = addressSpec(
  'billing',
  'Billing address',
  'Asks where the bill goes, with the fields of the country in its order.',
  'Where the bill goes',
)

export const deliveryAddress: ElementSpec = addressSpec(
  'delivery',
  'Delivery address',
  'Asks where it is brought: to the billing address, or to another one. Nothing is asked where nothing is brought.',
  'Where it comes to',
)
