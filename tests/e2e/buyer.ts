import type { Page } from '@playwright/test'
import { expect } from './studio'

/** What somebody who buys does, as a browser has it. */

export async function sayWho(visitor: Page, name: string): Promise<void> {
  await visitor.getByLabel('Name', { exact: true }).first().fill(name)
  await visitor.getByLabel('Mail address').fill('inez@example.org')
}

export async function sayWhere(visitor: Page, name: string): Promise<void> {
  await visitor.getByLabel('Name', { exact: true }).last().fill(name)
  await visitor.getByLabel('Street and number').fill('4 Bell Lane')
  await visitor.getByLabel('Town').fill('Quillmere')
  await visitor.getByLabel('Postal code').fill('SW1A 1AA')
}

/** Says all that the museum's checkout asks, and agrees. */
export async function sayAll(visitor: Page, name: string): Promise<void> {
  await sayWho(visitor, name)
  await sayWhere(visitor, name)
  await visitor.getByLabel('I have read the terms').check()
}

/** Puts what a page sells into the basket. */
export async function putIn(visitor: Page, address: string): Promise<void> {
  await visitor.goto(address)
  await visitor.getByRole('button', { name: 'Put it into the basket' }).click()
  await expect(visitor.getByText('It is in your basket.')).toBeVisible()
}

/** Waits for what the page of an order says; without script it is asked for again. */
export async function stands(visitor: Page, words: string): Promise<void> {
  await expect(async () => {
    await visitor.reload()
    await expect(visitor.getByText(words)).toBeVisible({ timeout: 1000 })
  }).toPass()
}
