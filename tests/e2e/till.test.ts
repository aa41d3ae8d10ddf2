import type { Locator, Page } from '@playwright/test'
import { putIn, sayAll, sayWhere, sayWho, stands } from './buyer'
import { add, known, expect, findings, keep, makeLayout, release, saved, signIn, test, visitor } from './studio'

/** Checkouts as they are designed, by keys alone, and with whatever comes of the money; codes, and who comes. */

/** Every case of the payment stand-in, and what the order says in the end. */
const CASES: readonly [button: string, says: string][] = [
  ['Pay, and go back', 'It is paid. Thank you.'],
  ['Be refused, and go back', 'It is ordered, and waits to be paid.'],
  ['Pay, go back, and be heard of late', 'It is paid. Thank you.'],
  ['Pay, go back, and be heard of twice', 'It is paid. Thank you.'],
  // The provider is asked before the buyer is answered.
  ['Pay, go back, and never be heard of', 'It is paid. Thank you.'],
]

for (const javaScriptEnabled of [true, false])
  test(`whatever comes of the money, ${javaScriptEnabled ? 'with' : 'without'} script, the order says it`, async ({
    browser,
    server,
  }) => {
    const buyer = await (await browser.newContext({ javaScriptEnabled })).newPage()
    const order = async (button: string) => {
      await putIn(buyer, `${server.origin}/tickets/tower-climb`)
      await buyer.goto(`${server.origin}/checkout`)
      await sayAll(buyer, 'Inez Dial')
      await buyer.getByRole('button', { name: 'Order and pay' }).click()
      await buyer.getByRole('button', { name: button, exact: true }).click()
      await expect(buyer.getByRole('heading', { name: /^Order Q-\d+$/ })).toBeVisible()
    }
    for (const [button, says] of CASES) {
      await order(button)
      await stands(buyer, says)
    }
    // Whoever closed the window finds it paid by the link of the order.
    await order('Be refused, and go back')
    const link = buyer.url()
    await buyer.getByRole('button', { name: 'Pay now' }).click()
    await buyer.getByRole('button', { name: 'Pay, and close the window' }).click()
    await expect(buyer.getByRole('button', { name: 'Pay, and close the window' })).toBeHidden()
    await buyer.goto(link)
    await stands(buyer, 'It is paid. Thank you.')
    await buyer.context().close()
  })

/** Presses Tab until something has the focus. */
async function tabTo(page: Page, target: Locator): Promise<void> {
  for (let i = 0; i < 90; i++) {
    await page.keyboard.press('Tab')
    if (await target.evaluate((node) => node === document.activeElement)) return
  }
  throw new Error('Tab never came there')
}

test('a gift is bought by the keyboard alone', async ({ browser, server }) => {
  const buyer = await visitor(browser)
  await buyer.goto(`${server.origin}/gifts/keepers-apron`)
  const type = async (label: string, words: string, at = 0) => {
    await tabTo(buyer, buyer.getByLabel(label, { exact: true }).nth(at))
    await buyer.keyboard.type(words)
  }
  const press = async (target: Locator, key = 'Enter') => {
    await tabTo(buyer, target)
    await buyer.keyboard.press(key)
  }
  const button = (name: string) => buyer.getByRole('button', { name, exact: true })
  await type('Which', 'Large')
  await press(button('Put it into the basket'))
  await press(buyer.getByRole('link', { name: 'Look into it' }))
  await press(buyer.getByRole('link', { name: 'To the till' }))
  await type('Name', 'Inez Dial')
  await type('Mail address', 'inez@example.org')
  await type('Name', 'Inez Dial', 1)
  await type('Street and number', '4 Bell Lane')
  await type('Town', 'Quillmere')
  await type('Postal code', 'SW1A 1AA')
  await press(buyer.getByRole('radio', { name: /^By post/ }).first(), 'Space')
  // Totals follow, and the keys are where they were.
  await expect(buyer.getByText('£37.50')).toBeVisible()
  await press(buyer.getByLabel('I have read the terms'), 'Space')
  await press(button('Order and pay'))
  await expect(buyer.getByRole('heading', { name: 'Pay £37.50' })).toBeVisible()
  await press(button('Pay, and go back'))
  await expect(buyer.getByRole('heading', { name: /^Order Q-/ })).toBeVisible()
  await stands(buyer, 'It is paid. Thank you.')
})

test('a checkout is designed in steps from empty to live; until it has all it needs, visitors have the plain one', async ({
  page,
  server,
  browser,
}) => {
  await known(page, server)
  await makeLayout(page, server, 'Till', 'Body')
  await add(page, 'Checkout in steps')
  await expect(page.getByRole('treeitem', { name: /^Checkout in steps/ })).toBeVisible()
  const step = (name: string) => page.getByRole('treeitem', { name: new RegExp(`^${name}`) })
  await step('Column').last().click()
  await add(page, 'Buyer')
  await add(page, 'Billing address')
  await saved(page)
  await page.goto(`${server.origin}/studio?frame=checkout`)
  await page.getByLabel('Body', { exact: true }).selectOption({ label: 'Till' })
  await keep(page)
  await page.getByRole('link', { name: 'Checks' }).click()
  await expect(page.getByText('lacks “Delivery choice” and “Place order”', { exact: false })).toBeVisible()
  expect(await findings(page)).toEqual([])
  await release(page)
  const buyer = await visitor(browser)
  await putIn(buyer, `${server.origin}/tickets/tower-climb`)
  await buyer.goto(`${server.origin}/checkout`)
  await expect(buyer.getByText('Steps')).toHaveCount(0)
  await expect(buyer.getByRole('button', { name: 'Order and pay' })).toBeVisible()

  await page.goto(`${server.origin}/studio/layouts`)
  await page.getByRole('link', { name: 'Till', exact: true }).first().click()
  await step('Checkout in steps').click({ position: { x: 20, y: 8 } })
  await page.getByRole('button', { name: 'Add a step' }).click()
  await step('Column').last().click()
  await add(page, 'Delivery choice')
  await add(page, 'Order summary')
  await add(page, 'Place order')
  await saved(page)
  await release(page)
  await buyer.goto(`${server.origin}/checkout`)
  const steps = buyer.getByRole('navigation', { name: 'Steps of your order' })
  await expect(steps.getByRole('listitem')).toHaveCount(2)
  await buyer.getByRole('button', { name: 'Go on' }).click()
  await expect(buyer.getByRole('alert')).toContainText('Mail address: Please fill this in.')
  await sayWho(buyer, 'Otto Pell')
  await sayWhere(buyer, 'Otto Pell')
  await buyer.getByRole('button', { name: 'Go on' }).click()
  await expect(buyer.getByText('Total', { exact: true })).toBeVisible()
  expect(await findings(buyer)).toEqual([])
  await buyer.getByRole('button', { name: 'Order and pay' }).click()
  await buyer.getByRole('button', { name: 'Pay, and go back' }).click()
  await expect(buyer.getByRole('heading', { name: /^Order Q-/ })).toBeVisible()
  await stands(buyer, 'It is paid. Thank you.')
})

test('a discount is made, changed, switched off, taken away and put back', async ({ page, server, browser }) => {
  await known(page, server)
  await page.goto(`${server.origin}/studio/visitors/codes`)
  await expect(page.getByText('There are no codes yet.')).toBeVisible()
  await page.getByLabel('Code', { exact: true }).fill('winding-day')
  await page.getByLabel('Takes off').fill('120')
  await page.getByRole('button', { name: 'Make the code' }).click()
  await expect(page.getByRole('alert')).toContainText('no more than 100 percent')
  await page.getByLabel('Takes off').fill('50')
  await page.getByLabel('Tickets').check()
  await page.getByRole('button', { name: 'Make the code' }).click()
  const line = page.getByRole('listitem').filter({ hasText: 'WINDING-DAY' })
  await expect(line).toContainText('50% off')
  await expect(line).toContainText('on tickets; not used yet')
  expect(await findings(page)).toEqual([])
  await page.getByRole('button', { name: 'Remove WINDING-DAY' }).click()
  await expect(line).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(line).toBeVisible()
  const buyer = await visitor(browser)
  await putIn(buyer, `${server.origin}/tickets/tower-climb`)
  await buyer.goto(`${server.origin}/basket`)
  await buyer.getByLabel('Discount code').fill('Winding-day')
  await buyer.getByRole('button', { name: 'Use it' }).click()
  await expect(buyer.getByText('−£1.50')).toBeVisible()
  await page.getByRole('button', { name: 'Switch WINDING-DAY off' }).click()
  await expect(line).toContainText('(off)')
  await buyer.reload()
  await expect(buyer.getByText('−£1.50')).toHaveCount(0)
})

test(
  'whoever comes is ticked off on the sheet of the day, also in another window',
  { tag: '@alone' },
  async ({ page, server, browser }) => {
    const buyer = await visitor(browser)
    await buyer.goto(`${server.origin}/talks/what-the-tower-hears`)
    await buyer.getByLabel('Places', { exact: true }).fill('2')
    await buyer.getByRole('button', { name: 'Book a place' }).click()
    await buyer.goto(`${server.origin}/checkout`)
    await sayAll(buyer, 'Otto Pell')
    await buyer.getByRole('button', { name: 'Order and pay' }).click()
    await buyer.getByRole('button', { name: 'Pay, and go back' }).click()
    await expect(buyer.getByRole('heading', { name: /^Order Q-/ })).toBeVisible()
    await stands(buyer, 'It is paid. Thank you.')
    await signIn(page, server, 'wim')
    const day = `${server.origin}/studio/visitors/orders/day?day=2027-01-30`
    await page.goto(day)
    await page.getByLabel('Otto Pell: how many have come').selectOption('1')
    await expect(page.getByText('1 of them have come')).toBeVisible()
    expect(await findings(page)).toEqual([])
    const other = await page.context().newPage()
    await other.goto(day)
    await other.getByRole('checkbox', { name: 'Otto Pell: all have come' }).click()
    await expect(other.getByText('all of them have come')).toBeVisible()
    await page.evaluate(() => window.dispatchEvent(new Event('focus')))
    await expect(page.getByText('all of them have come')).toBeVisible()
    await page.getByRole('link', { name: /^Q-/ }).click()
    const sheet = page.getByRole('complementary', { name: 'The chosen order' })
    await expect(sheet.getByText('2 came, by Wim', { exact: false }).first()).toBeVisible()
  },
)
