import fc from 'fast-check'
import {
  type AskedForm,
  FORM_WORDS,
  OPEN_HOURS,
  type Question,
  QUESTION_KINDS,
  type SentValues,
  fieldName,
  hourEnds,
  hourOf,
  isHeld,
  isOpen,
  judge,
  linksIn,
  messageShape,
} from '#core/forms'
import { refuse } from '#core/shape'

/** What a form takes of what it is sent: by the form alone, whatever a browser let through. */

const asks = (kind: Question['kind'], more: Partial<Question> = {}): Question => ({
  id: kind,
  kind,
  label: kind,
  key: kind,
  required: false,
  least: null,
  most: null,
  from: '',
  until: '',
  options: [],
  when: null,
  value: '',
  takes: 'any',
  heaviest: 5,
  decimal: 'point',
  ...more,
})
const formOf = (...questions: Question[]): AskedForm => ({ id: 'form', name: 'Form', questions, words: FORM_WORDS })
const options = ['a', 'b', 'c'].map((id) => ({ id, label: `Answer ${id}` }))
const one = (question: Question, ...sent: string[]) => {
  const { answers, problems } = judge(formOf(question), { [fieldName(question.id)]: sent })
  return problems[0]?.why ?? answers[0]?.says ?? null
}

describe('answers', () => {
  test('text: cleaned of what nobody sees, counted as people count', () => {
    expect(one(asks('short'), '  Inez\u0000 Calloway\r\nBcc: all@example.org ')).toEqual([
      'Inez  Calloway Bcc: all@example.org',
    ])
    expect(one(asks('long'), 'one\r\ntwo\rthree')).toEqual(['one\ntwo\nthree'])
    expect(one(asks('short', { most: 3 }), '🕰🕰🕰')).toEqual(['🕰🕰🕰'])
    expect(one(asks('short', { most: 3 }), 'four')).toBe('Please write at most 3 characters.')
    expect(one(asks('short', { least: 3 }), 'no')).toBe('Please write at least 3 characters.')
    expect(one(asks('long'), 'x'.repeat(20_001))).toBe('Please write at most 20000 characters.')
    expect(one(asks('short', { required: true }), '\u202e ')).toBe('Please answer this.')
    expect(one(asks('short'), ' ')).toBeNull()
  })

  test.each<[Question['kind'], string, string | string[]]>([
    ['mail', 'inez@quillmere.example.org', ['inez@quillmere.example.org']],
    ['mail', 'inez@müller.example', ['inez@müller.example']],
    ['mail', 'inez@quillmere', FORM_WORDS.mail],
    ['mail', 'a@b.example\nBcc: all@example.org', FORM_WORDS.mail],
    ['mail', `${'x'.repeat(260)}@example.org`, FORM_WORDS.mail],
    ['telephone', '+44 (0)20 7946-0123', ['+44 (0)20 7946-0123']],
    ['telephone', 'call me', FORM_WORDS.telephone],
    ['number', '12,5', ['12.5']],
    ['number', '1,000', ['1000']],
    ['number', '1 250.75', ['1250.75']],
    ['number', '12 apples', FORM_WORDS.number],
    ['number', '1,00,0', FORM_WORDS.number],
    ['number', 'Infinity', FORM_WORDS.number],
    ['date', '2027-02-28', ['2027-02-28']],
    ['date', '2027-02-29', FORM_WORDS.date],
    ['yes-no', 'on', ['yes']],
  ])('%s: %s', (kind, sent, expected) => expect(one(asks(kind), sent)).toEqual(expected))

  test('a number is read as the language of the site writes it', () => {
    const german = asks('number', { decimal: 'comma', most: 2000 })
    expect(['1.250', '1,250', '1.250,5', '12,5'].map((words) => one(german, words))).toEqual([
      ['1250'],
      ['1.25'],
      ['1250.5'],
      ['12.5'],
    ])
    expect(one(german, '12.500')).toBe('This is at most 2000.')
  })

  test('limits of numbers and days are said with their words', () => {
    const number = asks('number', { least: 1, most: 10 })
    expect([one(number, '0'), one(number, '10.5'), one(number, '10')]).toEqual([
      'This is at least 1.',
      'This is at most 10.',
      ['10'],
    ])
    const day = asks('date', { from: '2027-01-01', until: '2027-01-31' })
    expect([one(day, '2026-12-31'), one(day, '2027-02-01')]).toEqual([
      'The first day is 2027-01-01.',
      'The last day is 2027-01-31.',
    ])
  })

  test('what can be chosen is chosen, and nothing else', () => {
    expect(one(asks('one', { options }), 'b')).toEqual(['Answer b'])
    expect(one(asks('one', { options }), 'a', 'b')).toBe(FORM_WORDS.choice)
    expect(one(asks('several', { options }), 'c', 'a', 'a')).toEqual(['Answer a', 'Answer c'])
    expect(one(asks('several', { options }), 'c', 'z')).toBe(FORM_WORDS.choice)
    expect(one(asks('several', { options, least: 2 }), 'c')).toBe('Please choose at least 2.')
    expect(one(asks('several', { options, most: 1 }), 'a', 'c')).toBe('Please choose at most 1.')
    expect(one(asks('one', { options, required: true }))).toBe(FORM_WORDS.choice)
  })

  test('consent is asked for, and what is hidden is said by the page, whatever a browser says', () => {
    expect(one(asks('consent'))).toBe(FORM_WORDS.consent)
    expect(one(asks('consent'), 'yes')).toEqual(['yes'])
    expect(one(asks('hidden', { value: 'Fenwick' }), 'Forged')).toEqual(['Fenwick'])
  })

  test('words of its own, with the label in them', () => {
    const words = { ...FORM_WORDS, required: '“{label}” is missing.' }
    const form = { ...formOf(asks('short', { required: true, label: 'Your name' })), words }
    expect(judge(form, {}).problems).toEqual([{ id: 'short', label: 'Your name', why: '“Your name” is missing.' }])
  })
})

describe('questions that others call for', () => {
  const visit = asks('one', { id: 'v', key: 'visit', options })
  const group = asks('number', { id: 'g', key: 'group', required: true, when: { key: 'visit', is: 'answer B' } })
  const sent = (v: string, g = ''): SentValues => ({ 'q.v': [v], 'q.g': [g] })

  test('are asked where the other is answered so, and else neither wanted nor taken', () => {
    expect(judge(formOf(visit, group), sent('b')).problems.map((p) => p.id)).toEqual(['g'])
    expect(judge(formOf(visit, group), sent('b', '4')).answers.map((a) => a.says)).toEqual([['Answer b'], ['4']])
    expect(judge(formOf(visit, group), sent('a', '4')).answers.map((a) => a.says)).toEqual([['Answer a']])
    expect(judge(formOf(visit, group), sent('a', 'no number')).problems).toEqual([])
  })

  test('with any answer; through one that is not asked itself; never by themselves in a circle', () => {
    const any = { ...group, when: { key: 'visit', is: '' } }
    expect(judge(formOf(visit, any), sent('a')).problems).toHaveLength(1)
    const further = asks('short', { id: 'f', key: 'further', required: true, when: { key: 'group', is: '' } })
    expect(judge(formOf(visit, group, further), sent('a', '4')).problems).toEqual([])
    const loop = [asks('short', { id: 'x', key: 'x', when: { key: 'y', is: '' } })]
    loop.push(asks('short', { id: 'y', key: 'y', when: { key: 'x', is: '' } }))
    expect(judge(formOf(...loop), { 'q.x': ['1'], 'q.y': ['2'] }).answers).toEqual([])
    expect(judge(formOf(asks('short', { when: { key: 'gone', is: '' } })), { 'q.short': ['1'] }).answers).toEqual([])
  })
})

test('whatever is sent, what is kept is a message, and nothing of what is not asked', () => {
  const kinds = fc.constantFrom(...QUESTION_KINDS)
  const texts = fc.oneof(
    fc.string({ unit: 'binary', maxLength: 60 }),
    fc.constantFrom('a', 'b', '2027-01-01', '7', 'yes'),
  )
  fc.assert(
    fc.property(
      fc.array(fc.record({ kind: kinds, required: fc.boolean() }), { maxLength: 8 }),
      fc.array(fc.array(texts, { maxLength: 3 }), { maxLength: 8 }),
      (made, values) => {
        const questions = made.map((m, i) => asks(m.kind, { ...m, id: `q${i}`, key: `k${i}`, options, value: 'here' }))
        const sent = Object.fromEntries([
          ...values.map((v, i) => [fieldName(`q${i}`), v] as const),
          ['q.other', ['never asked']],
          ['__proto__x', ['']],
        ])
        const { answers, problems } = judge(formOf(...questions), sent)
        expect(refuse(messageShape, { format: 1, form: 'Form', page: 'home', title: 'Home', answers })).toBeNull()
        expect(JSON.stringify(answers)).not.toContain('never asked')
        // Each question is answered, wrong, or left out, and never two of these.
        const wrong = new Set(problems.map((p) => p.id))
        for (const { id, key } of questions) expect(answers.some((a) => a.key === key) && wrong.has(id)).toBe(false)
      },
    ),
  )
})

test('a proof holds for some hours, also where the clock is set back meanwhile', () => {
  const at = Date.parse('2026-11-30T10:59:00Z')
  expect(hourEnds(at)).toBe(Date.parse('2026-11-30T11:00:00Z'))
  expect(isOpen(hourOf(at), at)).toBe(true)
  expect(isOpen(hourOf(at) - OPEN_HOURS + 1, at)).toBe(true)
  expect(isOpen(hourOf(at) - OPEN_HOURS, at)).toBe(false)
  // The clock may be set back while a page stands open.
  expect(isOpen(hourOf(at) + 1, at)).toBe(true)
  expect(isOpen(hourOf(at) + OPEN_HOURS, at)).toBe(false)
})

test('many links, or the field that people do not see, hold a message', () => {
  const says = (text: string) => [{ key: 'k', label: 'l', kind: 'long' as const, says: [text] }]
  expect(linksIn(says('See https://a.example and www.b.example'))).toBe(2)
  expect(isHeld(says('three https://a https://b https://c'), '')).toBe(false)
  expect(isHeld(says('http://a http://b http://c [url=x]'), '')).toBe(true)
  expect(isHeld(says('hello'), 'http://spam.example')).toBe(true)
})
