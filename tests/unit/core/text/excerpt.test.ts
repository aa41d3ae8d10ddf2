import fc from 'fast-check'
import { type Bit, askedWords, excerptOf, markedText } from '#core/text'

/** Words that were searched for, marked where they stand, with the sentence around them. */

const write = (bits: readonly Bit[] | null) => bits?.map(({ text, met }) => (met ? `[${text}]` : text)).join('') ?? null

test('words are met at their beginnings, whatever their case and accents', () => {
  const words = askedWords('étud CLOCK "OR')
  expect(words).toEqual(['etud', 'clock', 'or'])
  expect(write(markedText('An etude, the Études; clocks and a padlock.', words))).toBe(
    'An [etude], the [Études]; [clocks] and a padlock.',
  )
  expect(write(markedText('Nothing', []))).toBe('Nothing')
})

test('of a text the sentence is shown that has most of the words', () => {
  const text = 'The wheel turns. A wheel of brass drives the hand! Brass is an alloy. 3.5 mm thick.'
  expect(write(excerptOf(text, askedWords('brass wheel')))).toBe('A [wheel] of [brass] drives the hand!')
  expect(write(excerptOf(text, askedWords('alloy')))).toBe('[Brass] is an [alloy].'.replace('[Brass]', 'Brass'))
  expect(excerptOf(text, askedWords('steel'))).toBeNull()
  expect(excerptOf('', askedWords('steel'))).toBeNull()
})

test('a long text of the shortest sentences takes no longer than one of long sentences', () => {
  const clocks = (text: string): number => {
    const begun = performance.now()
    for (let i = 0; i < 5; i++) excerptOf(text, ['a'])
    return performance.now() - begun
  }
  const [short, long] = ['a. '.repeat(6_600), 'a a '.repeat(5_000)]
  clocks(short)
  expect(clocks(short)).toBeLessThan(20 * clocks(long) + 50)
})

test('a long sentence is cut between words, around what was found', () => {
  const text = `${'before '.repeat(100)}needle ${'behind '.repeat(100)}`
  const shown = write(excerptOf(text, ['needle']))!
  expect(shown).toMatch(/^… (before )+\[needle\]( behind)+ …$/)
  expect(shown.length).toBeLessThan(260)
})

test('whatever the text and the words: nothing is invented, nothing is lost, all that is met begins with a word', () => {
  const letters = fc.string({
    unit: fc.constantFrom('a', 'b', 'ä', ' ', '.', '!', '\n', '<', '漢', '9'),
    maxLength: 600,
  })
  fc.assert(
    fc.property(letters, letters, (text, asked) => {
      const words = askedWords(asked)
      const all = markedText(text, words)
      expect(all.map((b) => b.text).join('')).toBe(text)
      const shown = excerptOf(text, words)
      expect(shown === null).toBe(!all.some((b) => b.met))
      const plain = (shown ?? []).map((b) => b.text).filter((t) => t !== '… ' && t !== ' …')
      expect(text).toContain(plain.join(''))
      for (const { text: met } of (shown ?? []).filter((b) => b.met))
        expect(words.some((w) => askedWords(met)[0]!.startsWith(w))).toBe(true)
    }),
  )
})

test('a text of a million characters is not looked through to its end', () => {
  const text = 'word '.repeat(200_000)
  expect(excerptOf(text, ['word'])).not.toBeNull()
  expect(excerptOf(`${text} needle`, ['needle'])).toBeNull()
})
