import { sayAll, stands } from './buyer'
import { known, expect, findings, test } from './studio'

/** From the basket to the receipt, with script and without; and what those who work here see of it. */

for (const javaScriptEnabled of [true, false])
  test(
    `a ticket and places at a talk are bought ${javaScriptEnabled ? 'with' : 'without'} script`,
    { tag: '@alone' },
    async ({ browser, server }) => {
      const context = await browser.newContext({ javaScriptEnabled })
      const visitor = await context.newPage()
      await visitor.goto(`${server.origin}/tickets/day-ticket`)
      await visitor.getByLabel('How many').fill('2')
      await visitor.getByRole('button', { name: 'Put it into the basket' }).click()
      await expect(visitor.getByText('It is in your basket.')).toBeVisible()
      await visitor.goto(`${server.origin}/talks/what-the-tower-hears`)
      await visitor.getByLabel('Places', { exact: true }).fill('3')
      await visitor.getByRole('button', { name: 'Book a place' }).click()
      await visitor.getByRole('link', { name: 'Look into it' }).click()
      await expect(visitor.getByText('30 January 2027 at 18:30')).toBeVisible()
      await visitor.getByRole('button', { name: 'Take it out Day ticket' }).click()
      await expect(visitor.getByText('Day ticket was taken out.')).toBeVisible()
      await visitor.getByRole('button', { name: 'Put it back' }).click()
      await visitor.getByRole('link', { name: 'To the till' }).click()
      await visitor.getByRole('button', { name: 'Order and pay' }).click()
      const alert = visitor.getByRole('alert')
      await expect(alert).toContainText('It was not ordered yet.')
      await expect(alert.getByRole('link', { name: 'Postal code' })).toBeVisible()
      await sayAll(visitor, 'Inez Dial')
      await visitor.getByLabel('Postal code').fill('nonsense')
      if (javaScriptEnabled) {
        // What is wrong is told as one goes, and so is what a country asks.
        await visitor.getByLabel('Town').focus()
        await expect(visitor.getByText('This is no postal code of that country.')).toBeVisible()
        await visitor.getByLabel('Country').selectOption('US')
        await expect(visitor.getByLabel('Region')).toBeVisible()
        await visitor.getByLabel('Country').selectOption('GB')
        await expect(visitor.getByLabel('Region')).toBeHidden()
      }
      await visitor.getByLabel('Postal code').fill('SW1A 1AA')
      await visitor.getByRole('button', { name: 'Order and pay' }).click()
      await expect(visitor.getByRole('heading', { name: 'Pay £36.00' })).toBeVisible()
      await visitor.getByRole('button', { name: 'Pay, and go back' }).click()
      await expect(visitor.getByRole('heading', { name: /^Order Q-\d+$/ })).toBeVisible()
      await stands(visitor, 'It is paid. Thank you.')
      // Places that are sold are left no more, for everybody.
      await expect(async () => {
        const html = await (await fetch(`${server.origin}/talks/what-the-tower-hears`)).text()
        expect(html).toContain('>19<')
      }).toPass()
      await context.close()
    },
  )

test(
  'an order is read, sent, given back, and is on the sheet of its day',
  { tag: '@alone' },
  async ({ browser, page, server }) => {
    const visitor = await browser.newPage()
    await visitor.goto(`${server.origin}/talks/what-the-tower-hears`)
    await visitor.getByRole('button', { name: 'Book a place' }).click()
    await visitor.goto(`${server.origin}/checkout`)
    expect(await findings(visitor)).toEqual([])
    await sayAll(visitor, 'Otto Pell')
    await visitor.getByRole('button', { name: 'Order and pay' }).click()
    await visitor.getByRole('button', { name: 'Pay, and go back' }).click()
    await expect(visitor.getByRole('heading', { name: /^Order Q-/ })).toBeVisible()
    expect(await findings(visitor)).toEqual([])

    await known(page, server, 'orla')
    await page.goto(`${server.origin}/studio/visitors/orders`)
    await page.getByRole('button', { name: /Otto Pell/ }).click()
    const sheet = page.getByRole('complementary', { name: 'The chosen order' })
    await expect(sheet.getByText('Paid, by stand-in')).toBeVisible()
    expect(await findings(page)).toEqual([])
    await sheet.getByLabel('A note to its story').fill('Comes in a wheelchair')
    await sheet.getByRole('button', { name: 'Note it' }).click()
    await expect(sheet.getByText('Comes in a wheelchair')).toBeVisible()
    await page.goto(`${server.origin}/studio/visitors/orders/day?day=2027-01-30`)
    await expect(page.getByText('Otto Pell')).toBeVisible()
    await expect(page.getByRole('img', { name: /Code of Q-/ })).toBeVisible()
    await page.goto(`${server.origin}/studio/visitors/orders`)
    await page.getByLabel('Find orders').fill('otto')
    await page.getByRole('button', { name: /Otto Pell/ }).click()
    await sheet.getByRole('button', { name: 'Give back the money…' }).click()
    await sheet.getByRole('button', { name: 'Give back £6.00' }).click()
    await expect(sheet.getByText('Refunded, by Orla')).toBeVisible()
    await visitor.reload()
    await expect(visitor.getByText('Your money went back to you.')).toBeVisible()
    expect(server.said()).not.toContain('"level":"error"')
  },
)
