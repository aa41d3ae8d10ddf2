import { drawElement, element, field, rich } from '../../../fixtures'

/** Elements of headers and footers: who said it, where to write, how to pass it on. */

const evil = '"><img src=x onerror=alert(1)>'

test('a quote: its words, who said them, nothing where nothing was said', () => {
  expect(drawElement(element('quote', { text: rich('Time flies.'), source: 'Amos', link: '/amos' }))).toBe(
    '<figure class="of-quote"><blockquote class="of-rich"><p>Time flies.</p></blockquote><figcaption><a href="/amos">Amos</a></figcaption></figure>',
  )
  expect(drawElement(element('quote', { text: rich('Time flies.'), source: '' }))).not.toContain('figcaption')
  expect(drawElement(element('quote', { text: { type: 'doc', content: [] } }))).toBe('')
})

test('contact details: each line that is filled, leading where it says', () => {
  const html = drawElement(
    element('contact', {
      name: 'Museum',
      street: 'Bell Lane 4',
      place: 'Quillmere',
      telephone: '+44 20 7946 0000',
      mail: 'door@example.org',
    }),
  )
  expect(html).toContain('<strong>Museum</strong>')
  expect(html).toContain('Bell Lane 4<br>Quillmere</p>')
  expect(html).toContain('<a href="tel:+442079460000">+44&nbsp;20&nbsp;7946&nbsp;0000</a>')
  expect(html).toContain('<a href="mailto:door@example.org">door@example.org</a>')
  expect(drawElement(element('contact', { name: '', mail: 'a&b@example.org' }))).toContain(
    'href="mailto:a&amp;b@example.org">a&amp;b@',
  )
  expect(drawElement(element('contact', { name: '' }))).toBe('')
  expect(drawElement(element('contact', { name: evil, mail: evil, telephone: evil }))).not.toContain('<img')
})

test('a page is passed on by its address and title, never to what is no address', () => {
  const ways = (address: string) => [{ id: 'a', props: { label: 'On', address } }]
  expect(drawElement(element('share', { ways: ways('https://example.org/?u={url}&t={title}') }))).toContain(
    'href="https://example.org/?u=https%3A%2F%2Fhillside.example.org%2F',
  )
  expect(drawElement(element('share', { ways: ways('javascript:alert(1)') }))).toBe('')
  expect(drawElement(element('share', { ways: ways('{url}') }))).toBe('')
  expect(drawElement(element('share', { ways: [] }))).toBe('')
})

test('buttons: those that have words and lead somewhere, each with its look, at most those', () => {
  const one = (label: unknown, link: unknown, look = 'filled') => ({
    id: `b${String(label)}`.slice(0, 20),
    props: { label, link, look },
  })
  const html = drawElement(
    element('buttons', {
      buttons: [one('Go', '/go'), one('', '/x'), one('Nowhere', null), one('Far', '/far', 'outlined')] as never,
    }),
  )
  expect(html).toBe(
    '<div class="of-btns"><a class="of-btn of-l-filled" href="/go">Go</a><a class="of-btn of-l-outlined" href="/far">Far</a></div>',
  )
  expect(drawElement(element('buttons', { buttons: [one(field('maker'), '/m')] as never }))).toContain('O&#39;Dell')
  const many = Array.from({ length: 12 }, (_, i) => one(`B${i}`, '/x'))
  expect(drawElement(element('buttons', { buttons: many as never })).match(/<a /g)).toHaveLength(12)
})

test('the way back to the top needs no script', () => {
  expect(drawElement(element('back-to-top'))).toContain('href="#">Back to the top</a>')
  expect(drawElement(element('back-to-top', { label: '' }))).toBe('')
})
