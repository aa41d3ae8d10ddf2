import type { Page } from '@playwright/test'
import { opsFor } from '#core/conditions'
import type { Entry, Site } from '#core/model'
import type { Field, FieldKind } from '#core/fields'
import { Client } from '../api/client'
import type { TestServer } from '../server'
import { add, expect, known, makeLayout, saved, settled, signIn, test } from './studio'

/** Every kind of input is typed into as people do, and every comparison of every kind of field is made. */

const field = (kind: FieldKind, more: Partial<Field> = {}): Field => ({
  id: `f-${kind}`,
  label: `A ${kind}`,
  kind,
  ...more,
})
const choices = [
  { id: 'brass', label: 'Brass' },
  { id: 'iron', label: 'Iron' },
]
const FIELDS: readonly Field[] = [
  field('text'),
  field('rich'),
  field('number', { unit: 'centimeter' }),
  field('money'),
  field('date'),
  field('moment'),
  field('yes-no'),
  field('choice', { choices }),
  field('choices', { choices }),
  field('picture'),
  field('pictures'),
  field('link'),
  field('person'),
  field('entry', { of: 'exhibit' }),
]
const TYPE = {
  id: 'sample',
  name: 'Sample',
  plural: 'Samples',
  slug: 'samples',
  archive: true,
  dated: false,
  tree: false,
  personLabel: 'Maker',
  taxonomies: [],
  fields: FIELDS,
}

/** Makes the page type with a field of each kind, and an entry of it, once for the server of this file. */
async function makeType(server: TestServer): Promise<void> {
  const client = await new Client(server).open()
  await client.signIn('ada')
  const { body } = await client.call('GET', '/structure')
  const { document, revision } = body as unknown as { document: { types: { id: string }[] }; revision: number }
  if (document.types.some((t) => t.id === TYPE.id)) return
  const edit = { kind: 'insert', at: ['types'], index: 0, item: TYPE }
  const edits = [{ id: 'make-samples', edit, does: 'edit' }]
  expect((await client.call('POST', '/structure/edits', { revision, edits })).status).toBe(200)
  const made = await client.call('POST', '/entries', { id: 'sample-one', type: TYPE.id, title: 'Sample one' })
  const told = made.body as unknown as { entry: Entry; revision: number }
  const published = { entry: { ...told.entry, published: true }, revision: told.revision }
  expect((await client.call('PUT', '/entries/sample-one', published)).status).toBe(200)
}

const stored = async (server: TestServer): Promise<Entry> => {
  const client = await new Client(server).open()
  await client.signIn('ada')
  return ((await client.call('GET', '/entries/sample-one')).body as unknown as { entry: Entry }).entry
}

/** Answers of the server with other entries: what a site with none, one or thousands of them would tell. */
async function withEntries(page: Page, count: number): Promise<void> {
  await page.route(/\/api\/site($|\?)/, async (route) => {
    const answer = await route.fetch()
    const told = (await answer.json()) as { site?: Site }
    const like = told.site?.entries.find((e) => e.type === 'exhibit')
    if (!told.site || !like) return route.fulfill({ response: answer })
    const others = told.site.entries.filter((e) => e.type !== 'exhibit')
    const made = Array.from({ length: count }, (_, i) => ({
      ...like,
      id: `made-${i}`,
      slug: `made-${i}`,
      title: `Clock number ${i}`,
    }))
    await route.fulfill({ response: answer, json: { ...told, site: { ...told.site, entries: [...others, ...made] } } })
  })
}

test('what is typed into every kind of field of an entry is stored as it was meant', async ({ page, server }) => {
  await makeType(server)
  await known(page, server)
  await page.goto(`${server.origin}/studio/content/entries/sample-one`)
  await settled(page)
  await page.getByLabel('A text', { exact: true }).pressSequentially('Anchor, “recoil” & Söhne')
  await page.getByRole('textbox', { name: 'A rich' }).click()
  await page.keyboard.type('Two trains.')
  await page.getByLabel(/^A number/).pressSequentially('-12.5')
  await page.getByLabel(/^A money/).pressSequentially('1200.50')
  await page.getByLabel('A date', { exact: true }).fill('2024-02-29')
  await page.getByLabel('A moment', { exact: true }).fill('2026-07-01T14:00')
  await page.getByLabel('A yes-no').check()
  await page.getByLabel(/^A choice(?!s)/).selectOption({ label: 'Iron' })
  await page.getByRole('group', { name: 'A choices' }).getByLabel('Brass').check()
  await page.getByLabel('A link', { exact: true }).pressSequentially('https://example.org/a?b=c')
  const person = page.getByLabel(/^A person/)
  await person.selectOption({ index: 1 })
  const reference = page.getByRole('combobox', { name: 'A entry' })
  await reference.click()
  await reference.pressSequentially('fenwick')
  await page.getByRole('option', { name: /^Fenwick turret/ }).click()
  await expect(reference).toHaveValue(/^Fenwick turret/)
  await page.getByRole('button', { name: 'Store', exact: true }).click()
  await expect(page.getByText('Stored.', { exact: true })).toBeVisible()
  const { fields } = await stored(server)
  expect(fields).toMatchObject({
    'f-text': 'Anchor, “recoil” & Söhne',
    'f-number': -12.5,
    'f-money': 1200.5,
    'f-date': '2024-02-29',
    'f-moment': '2026-07-01T14:00',
    'f-yes-no': true,
    'f-choice': 'iron',
    'f-choices': ['brass'],
    'f-link': 'https://example.org/a?b=c',
    'f-entry': 'fenwick-turret-clock',
    'f-person': await person.inputValue(),
  })
  expect(JSON.stringify(fields['f-rich'])).toContain('Two trains.')
})

test('a moment with its own zone is shown on the clocks of the site', { tag: '@alone' }, async ({ page, server }) => {
  await makeType(server)
  const client = await new Client(server).open()
  await client.signIn('ada')
  const { body } = await client.call('GET', '/entries/sample-one')
  const { entry, revision } = body as unknown as { entry: Entry; revision: number }
  const told = { ...entry, fields: { 'f-moment': '2026-07-01T13:00:00Z' } }
  expect((await client.call('PUT', '/entries/sample-one', { entry: told, revision })).status).toBe(200)
  await known(page, server)
  await page.goto(`${server.origin}/studio/content/entries/sample-one`)
  await expect(page.getByLabel('A moment', { exact: true })).toHaveValue('2026-07-01T14:00')
})

for (const count of [0, 1, 5000])
  test(`an entry is chosen by typing among ${count}`, { tag: '@alone' }, async ({ page, server }) => {
    await makeType(server)
    await known(page, server)
    await withEntries(page, count)
    await page.goto(`${server.origin}/studio/content/entries/sample-one`)
    await settled(page)
    const reference = page.getByRole('combobox', { name: 'A entry' })
    await reference.click()
    await reference.pressSequentially(count === 5000 ? 'clock number 4999' : 'clock', { timeout: 10_000 })
    if (count === 0) {
      await expect(page.getByText('No entry is called that.')).toBeVisible()
      await page.keyboard.press('Escape')
    } else {
      await expect(page.getByRole('option', { name: /^Clock number/ }).first()).toBeVisible()
      // Both keys within one frame, as fast hands and slow screens have it.
      await reference.evaluate((input) => {
        for (const key of ['ArrowDown', 'Enter'])
          input.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
      })
      await expect(reference).toHaveValue(`Clock number ${count - 1}`)
    }
    // The page still answers to hands.
    await page.getByLabel('A text', { exact: true }).fill('Still here')
    await expect(page.getByLabel('A text', { exact: true })).toHaveValue('Still here')
  })

/** Opens what asks for a fact, and finds a field there. */
async function findField(page: Page, label: string): Promise<void> {
  await page.getByRole('button', { name: 'Add a fact that must hold' }).last().click()
  await page.getByRole('combobox', { name: 'Add a fact that must hold' }).fill(label)
  await page.getByRole('option', { name: new RegExp(`^${label} is`) }).click()
}

/** Says what a field is compared with, as its input asks for it. */
async function compare(page: Page, kind: FieldKind, byDays: boolean): Promise<void> {
  if (byDays) return page.getByLabel('How many days').pressSequentially('30')
  const input = page.getByLabel('Compared with')
  if (kind === 'entry') {
    await input.click()
    await input.pressSequentially('fenwick')
    return page.getByRole('option', { name: /^Fenwick turret/ }).click()
  }
  if ((await input.evaluate((e) => e.tagName)) === 'SELECT') {
    const value = await input.locator('option:not([disabled])').last().getAttribute('value')
    return void (await input.selectOption(value!))
  }
  if (kind === 'date' || kind === 'moment') return input.fill('2026-07-01')
  return input.pressSequentially(kind === 'number' || kind === 'money' ? '-1.5' : 'Brass')
}

test('every comparison on every kind of field can be made for a frame', async ({ page, server }) => {
  test.setTimeout(180_000)
  await makeType(server)
  await signIn(page, server)
  await page.getByRole('button', { name: 'Add frame' }).click()
  await page.getByRole('button', { name: 'Add what it covers' }).click()
  await page.getByRole('combobox', { name: 'Add what it covers' }).fill('samples')
  await page.getByRole('option', { name: /^Samples page type/ }).click()
  const sentence = page.getByTestId('sentence')
  for (const tested of FIELDS)
    for (const op of opsFor(tested)) {
      await findField(page, tested.label)
      await page.getByLabel('How it is tested').selectOption(op)
      if (!op.endsWith('empty')) await compare(page, tested.kind, op.startsWith('in-'))
      // It is told for how many entries it holds before it is added.
      await expect(page.getByText(/^Holds for \d+ of 1 entry now\.$/)).toBeVisible()
      await page.getByRole('button', { name: 'Add', exact: true }).click()
      await expect(sentence).toContainText(tested.label)
      await page.getByRole('button', { name: new RegExp(`^Take away: with ${tested.label}`) }).click()
      await expect(sentence).not.toContainText(tested.label)
    }
})

test('every kind of field can be tested under Shown when', async ({ page, server }) => {
  test.setTimeout(120_000)
  await makeType(server)
  await signIn(page, server)
  await makeLayout(page, server, 'Sample page', 'Body')
  await add(page, 'heading')
  await saved(page)
  await page.goto(`${page.url().split('?')[0]}?page=entry:sample-one`)
  await settled(page)
  await page.getByRole('treeitem', { name: /^Heading/ }).click()
  for (const tested of FIELDS) {
    const op = opsFor(tested).find((o) => o === 'is' || o === 'at-least') ?? 'is-not-empty'
    await findField(page, tested.label)
    await page.getByLabel('How it is tested').selectOption(op)
    if (!op.endsWith('empty')) await compare(page, tested.kind, false)
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    await expect(page.getByRole('region', { name: 'Shown when' })).toContainText(`${tested.label} `)
  }
})
