import { type Alike, alikeTo } from '../../shop'
import { PAGE_STYLES, type Scene, escapeHtml, holdsUntil, img } from '../../drawing'
import { clockIn } from '../../time'
import { type ElementSpec, prop, text } from '../base'
import { SHOP_CSS, money, saying, shoppingOf } from './bits'

/** What somebody looks at: the page, or what is in their basket and what they have just ordered. */
function lookedAt(scene: Scene, byBasket: boolean): string[] {
  if (!byBasket) return scene.subject.kind === 'entry' ? [scene.subject.entry.id] : []
  const { lines, order } = shoppingOf(scene)
  return [...lines.map((l) => l.line.entry), ...(order?.order.lines.map((l) => l.entry) ?? [])]
}

/** What else there is to buy. */
export const alsoLike: ElementSpec = {
  type: 'also-like',
  name: 'You may also like',
  about: 'What else is sold that goes with the page, or with what is in the basket.',
  group: 'Shop',
  props: {
    heading: text('Heading', 'You may also like', 120),
    by: {
      kind: 'choice',
      label: 'Goes with',
      default: 'page',
      options: [
        { value: 'page', label: 'What the page shows' },
        { value: 'basket', label: 'What is in the basket, or was just ordered' },
      ],
    },
    most: { kind: 'number', label: 'How many at most', default: 3, min: 1, max: 12 },
    columns: { kind: 'number', label: 'Side by side', default: 3, min: 1, max: 6 },
    from: { ...text('Where it has several prices', 'from {price}', 80), hint: '{price} stands for the least of them.' },
  },
  parts: {
    heading: { label: 'Heading', words: 'heading' },
    picture: { label: 'Picture', plain: true },
    title: { label: 'Title', hides: false },
    price: { label: 'Price' },
  },
  css: [SHOP_CSS, PAGE_STYLES.alsoLike],
  summary: (props) => (props.by === 'basket' ? 'with the basket' : ''),
  draw(element, compile) {
    const byBasket = prop(element, alsoLike, 'by') === 'basket'
    if (byBasket) compile.depends('basket')
    const say = saying(element, alsoLike)
    const most = Number(prop(element, alsoLike, 'most'))
    const columns = Math.max(1, Number(prop(element, alsoLike, 'columns')))
    compile.css(`.of-also-${columns}{--n:${columns}}`)
    const open = `<section${compile.attributes(element, 'shop', 'also', `also-${columns}`)}>`
    const [heading, title, price] = ['heading', 'title', 'price'].map((part) => compile.part(element, part))
    const [shows, words] = [(part: string) => compile.shows(element, part), compile.words('heading')]
    const one = (scene: Scene, { entry, from, several }: Alike): string => {
      const { catalogue } = scene
      const address = catalogue.addressOf(entry.id)
      const picture = shows('picture') && entry.picture ? catalogue.pictures.get(entry.picture) : undefined
      const name = escapeHtml(from.title)
      const each = money(scene, from.each)
      const cost = several ? say('from', scene).replaceAll('{price}', () => each) : each
      return (
        `<li>${picture ? img(picture, '', { sizes: `(max-width:640px) 50vw,${Math.ceil(100 / columns)}vw` }) : ''}` +
        `<p${title}>${address ? `<a href="${escapeHtml(address)}">${name}</a>` : name}</p>` +
        `${shows('price') ? `<p${price}>${cost}</p>` : ''}</li>`
      )
    }
    return (scene) => {
      const { catalogue } = scene
      const now = clockIn(catalogue.site.settings.timeZone, scene.request.at)
      const found = alikeTo(lookedAt(scene, byBasket), catalogue, now, most)
      // What is sold until a moment is drawn anew then.
      for (const { on } of found.map((f) => f.from)) if (on.length > 10) holdsUntil(scene, on.slice(0, 16))
      if (found.some((f) => f.from.on)) catalogue.seeToday()
      if (found.length === 0) return ''
      const above = shows('heading') ? `<h2${heading}${words}>${say('heading', scene)}</h2>` : ''
      return `${open}${above}<ul>${found.map((f) => one(scene, f)).join('')}</ul></section>`
    }
  },
}
