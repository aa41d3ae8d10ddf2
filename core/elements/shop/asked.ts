import { ADDRESS_PARTS, type AskedCheckout, FIELD, addressField, consentField } from '../../shop'
import { type Scene, plainText } from '../../drawing'
import type { LayoutElement, Value } from '../../tree'
import { type ElementSpec, prop } from '../base'
import { billingAddress, deliveryAddress } from './address'
import { basketLines } from './basket-lines'
import { buyer, needsPhone } from './buyer'
import { deliveryChoice, orderNote, paymentChoice } from './choices'
import { consentOf } from './place-order'

/** What the elements on a page ask of a buyer, whatever the page looks like. */

const ASKS = [
  [buyer, 'buyer'],
  [billingAddress, 'billing'],
  [deliveryAddress, 'delivery'],
  [deliveryChoice, 'way'],
  [orderNote, 'note'],
  [paymentChoice, 'payment'],
] as const

export function askedBy(elements: readonly LayoutElement[]): Pick<AskedCheckout, 'asks' | 'phoneNeeded' | 'consents'> {
  const asks = new Set<'buyer' | 'billing' | 'delivery' | 'way' | 'note' | 'payment'>()
  for (const [spec, name] of ASKS) if (elements.some((e) => e.type === spec.type)) asks.add(name)
  return {
    asks,
    phoneNeeded: elements.some((e) => e.type === buyer.type && needsPhone(e)),
    consents: elements.filter((e) => e.type === 'order-consent').map(consentOf),
  }
}

/** By the first letters of the names of fields, the element that asks for them. */
const FIELDS: readonly [RegExp, string][] = [
  [/^c\./, buyer.type],
  [/^b\./, billingAddress.type],
  [/^d\./, deliveryAddress.type],
  [/^way$/, deliveryChoice.type],
  [/^note$/, orderNote.type],
  [/^pay$/, paymentChoice.type],
  [/^n\./, basketLines.type],
]

/** Whether some element among these asks for a field. */
export function asksFor(elements: readonly LayoutElement[], name: string): boolean {
  const type = FIELDS.find(([names]) => names.test(name))?.[1]
  if (type) return elements.some((e) => e.type === type)
  return elements.some((e) => e.type === 'order-consent' && consentField(e.id) === name)
}

/** What the fields of a checkout are called on a page, by their names. */
export function labelsOf(elements: readonly LayoutElement[], scene: Scene): Record<string, string> {
  const labels: Record<string, string> = {}
  const say = (element: LayoutElement, spec: ElementSpec, name: string) =>
    plainText(prop(element, spec, name) as Value, scene)
  for (const element of elements) {
    if (element.type === buyer.type)
      for (const name of ['name', 'mail', 'phone'] as const) labels[FIELD[name]] = say(element, buyer, name)
    for (const [spec, use] of [
      [billingAddress, 'billing'],
      [deliveryAddress, 'delivery'],
    ] as const)
      if (element.type === spec.type)
        for (const part of [...ADDRESS_PARTS, 'country'] as const)
          labels[addressField(use, part)] = `${say(element, spec, part)} (${say(element, spec, 'heading')})`
    if (element.type === deliveryChoice.type) labels[FIELD.way] = say(element, deliveryChoice, 'heading')
    if (element.type === paymentChoice.type) labels[FIELD.payment] = say(element, paymentChoice, 'heading')
    if (element.type === orderNote.type) labels[FIELD.note] = say(element, orderNote, 'label')
    if (element.type === 'order-consent') labels[consentField(element.id)] = consentOf(element).words
  }
  return labels
}
