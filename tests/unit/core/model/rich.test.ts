import fc from 'fast-check'
import { type RichDoc, richText } from '#core/rich'

const paragraph = fc
  .array(fc.string(), { maxLength: 3 })
  .map((texts) => ({ type: 'paragraph', content: texts.map((text) => ({ type: 'text', text })) }))
const doc = fc.array(paragraph, { maxLength: 8 }).map((content): RichDoc => ({ type: 'doc', content }))

test('so much of a text as is wanted is the beginning of all of it', () => {
  fc.assert(
    fc.property(doc, fc.nat(60), (of, most) => {
      const [all, some] = [richText(of), richText(of, most)]
      expect(all.startsWith(some)).toBe(true)
    }),
  )
})

test('of a long text no more is read than is wanted', () => {
  let read = 0
  const content = Array.from({ length: 1000 }, (_, i) => ({
    type: 'paragraph',
    get content() {
      read++
      return [{ type: 'text', text: `Paragraph ${i}.` }]
    },
  }))
  expect(richText({ type: 'doc', content }, 100)).toMatch(/^Paragraph 0\. Paragraph 1\./)
  expect(read).toBeLessThan(20)
})
