import fc from 'fast-check'
import { type Answer, addressIn, mailOf, mailShape, recipients } from '#core/forms'
import { refuse } from '#core/shape'

/** What is mailed of what was sent: to whom, and in what words. */

const answer = (key: string, ...says: string[]): Answer => ({ key, label: `The ${key}`, kind: 'short', says })
const to = { to: 'keeper@example.org' }

test('answers stand in the words of a mail, one by one or all of them', () => {
  const answers = [answer('name', 'Inez'), answer('rooms', 'Tower Room', 'Night Room')]
  const keys = new Set(['name', 'rooms', 'when'])
  const letter = { subject: 'From {name}, on {when}', text: '{answers}\n-- {rooms} {never}' }
  const mail = mailOf({ ...to, replyTo: 'inez@example.org' }, letter, answers, keys)
  expect(mail).toEqual({
    format: 1,
    to: 'keeper@example.org',
    replyTo: 'inez@example.org',
    subject: 'From Inez, on',
    text: 'The name:\nInez\n\nThe rooms:\nTower Room, Night Room\n-- Tower Room, Night Room {never}',
    files: [],
  })
})

test('whatever somebody answers, it is filled in once, the subject is one line, and the mail can be stored', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'binary', maxLength: 400 }), fc.string({ maxLength: 300 }), (says, words) => {
      const mail = mailOf(
        to,
        { subject: `${words} {name}\r\nBcc: all@example.org`, text: '<{name}>' },
        [answer('name', `{other}{answers}${says}`), answer('other', 'x')],
        new Set(['name', 'other']),
      )
      expect(mail.subject).not.toMatch(/[\r\n]/)
      expect(mail.text).toBe(`<{other}{answers}${says}>`)
      expect(refuse(mailShape, mail)).toBeNull()
    }),
  )
})

test('only what is one address is mailed, each once; or the first that there is', () => {
  const words = [
    '',
    ' keeper@example.org ',
    'KEEPER@example.org',
    'a@example.org\r\nBcc: b@example.org',
    'a@example.org, b@example.org',
    '<c@example.org>',
    'mailto:d@example.org',
    'nobody',
  ]
  expect(recipients(words, false)).toEqual(['keeper@example.org', 'd@example.org'])
  expect(recipients(words, true)).toEqual(['keeper@example.org'])
  expect(recipients([], true)).toEqual([])
  expect(
    recipients(
      Array.from({ length: 50 }, (_, i) => `a${i}@example.org`),
      false,
    ),
  ).toHaveLength(10)
  expect(addressIn(`${'x'.repeat(300)}@example.org`)).toBeNull()
})
