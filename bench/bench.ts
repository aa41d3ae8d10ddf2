import { type Page, type Request, chromium } from '@playwright/test'
import { newElement } from '../core/elements'
import { type Edit, applyEdit, checkLayout } from '../core/layouts'
import { type Layout, type LayoutElement, type Row, elementsOf, emptyColumn, emptyLayout, emptyRow } from '../core/tree'
import { insertLayout } from '../server/database/layouts'
import { openDatabase } from '../server/database/open'
import { type TestServer, startServer } from '../tests/server'
import { type Result, median, round } from './measure'

/** The bench in a real browser over a large layout. */

const TYPES = ['heading', 'text', 'button', 'field', 'divider', 'heading', 'image', 'text']

/** A body of so many elements, seven or so to a column, three columns to a row. */
export function largeLayout(id: string, elements: number): Layout {
  let made = 0
  let given = 0
  const newId = () => `${id}-${++given}`
  const element = (): LayoutElement => {
    const type = TYPES[made++ % TYPES.length]!
    const node = newElement(type, newId)
    return type === 'heading' ? { ...node, props: { text: `Heading ${made}`, level: '2' } } : node
  }
  const row = (): Row => {
    const columns = [4, 4, 4].map((span) => {
      const children = Array.from({ length: Math.min(7, elements - made) }, element)
      return { ...emptyColumn(newId(), span), children }
    })
    return { ...emptyRow(newId, [12]), children: columns }
  }
  const rows: Row[] = []
  while (made < elements) rows.push(row())
  return { ...emptyLayout(id, `Large body of ${elements}`, 'body'), children: rows }
}

async function fill(folder: string): Promise<void> {
  const db = await openDatabase(folder)
  await insertLayout(db, largeLayout('large', 760), 'bench')
  await insertLayout(db, largeLayout('huge', 2500), 'bench')
  await db.destroy()
}

declare global {
  interface Window {
    /** When the page on the bench was written last, by the clock of the studio. */
    writtenAt: number
    pressedAt: number
  }
}

/** Notes when something is pressed or changed, and when the page on the bench is written. */
async function watchPage(page: Page): Promise<void> {
  await page.evaluate(() => {
    const frame = document.querySelector('iframe')!
    new MutationObserver(() => (window.writtenAt = performance.now())).observe(frame.contentDocument!, {
      subtree: true,
      childList: true,
      attributes: true,
      characterData: true,
    })
    for (const type of ['keydown', 'input', 'change', 'click', 'pointermove'])
      for (const view of [window, frame.contentWindow!])
        view.addEventListener(type, () => (window.pressedAt ||= performance.now()), { capture: true })
  })
}

/** Milliseconds from doing something to the page being written, so many times. */
async function timesOf(page: Page, times: number, act: (i: number) => Promise<unknown>): Promise<number[]> {
  const found: number[] = []
  for (let i = 0; i < times; i++) {
    await page.evaluate(() => (window.pressedAt = window.writtenAt = 0))
    await act(i)
    const handle = await page.waitForFunction(() => window.writtenAt && window.writtenAt - window.pressedAt)
    found.push((await handle.jsonValue()) as number)
    await page.waitForTimeout(30)
  }
  return found
}

const percentile = (values: readonly number[], share: number) =>
  [...values].sort((a, b) => a - b)[Math.min(values.length - 1, Math.floor(values.length * share))]!

function quick(name: string, values: readonly number[]): Result {
  const [mid, late] = [median(values), percentile(values, 0.95)]
  return {
    name,
    value: `${round(mid, 1)} ms, ${round(late, 1)} at the 95th`,
    against: 'a bound',
    bound: 'under 16 and 33 ms',
    holds: mid < 16 && late < 33,
    data: { median: round(mid, 1), percentile95: round(late, 1) },
  }
}

async function signIn(page: Page, server: TestServer): Promise<void> {
  await page.goto(`${server.origin}/studio/sign-in`)
  await page.getByLabel('Mail address').fill('ada@quillmere.example.org')
  await page.getByLabel('Password').fill('wind-me-on-sunday')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.getByRole('navigation', { name: 'Studio' }).waitFor()
}

/** Milliseconds from leaving the shelf to the page standing on the bench. */
async function opening(page: Page, server: TestServer, id: string): Promise<number> {
  await page.goto(`${server.origin}/studio/layouts`)
  await page.getByRole('heading', { name: 'Layouts' }).waitFor()
  await page.waitForTimeout(1500)
  return page.evaluate(async (layout) => {
    const start = performance.now()
    document.querySelector<HTMLAnchorElement>(`a[href*="/studio/layouts/${layout}"]`)!.click()
    await new Promise<void>((done) => {
      const look = () =>
        document.querySelector('iframe[title*="Large"]') &&
        (document
          .querySelector<HTMLIFrameElement>('iframe[title*="Large"]')!
          .contentDocument?.querySelectorAll('[data-node]').length ?? 0) > 100
          ? done()
          : setTimeout(look, 2)
      look()
    })
    return performance.now() - start
  }, id)
}

/** Bytes of the largest request while so many letters are typed into a text of 3,000 characters on the page itself. */
async function typing(page: Page): Promise<{ times: number[]; largest: number }> {
  await page.getByRole('treeitem', { name: /^Text/ }).first().click()
  await page.keyboard.press('Enter')
  await page.keyboard.press('Control+a')
  await page.keyboard.insertText('The clock in the tower was wound on Sundays. '.repeat(68))
  await page.waitForTimeout(1500)
  let largest = 0
  const note = (request: Request) => {
    if (request.url().endsWith('/edits')) largest = Math.max(largest, request.postDataBuffer()?.length ?? 0)
  }
  page.on('request', note)
  const times = await timesOf(page, 30, (i) => page.keyboard.press('abcdefgh'[i % 8]!))
  await page.waitForTimeout(1000)
  page.off('request', note)
  await page.keyboard.press('Escape')
  return { times, largest }
}

async function heapOf(page: Page): Promise<number> {
  const client = await page.context().newCDPSession(page)
  await client.send('HeapProfiler.collectGarbage')
  const { usedSize } = await client.send('Runtime.getHeapUsage')
  await client.detach()
  return usedSize
}

/** How much the heap grows, in bytes, by a thousand edits and as many undos. */
async function growth(page: Page): Promise<number> {
  await page.getByLabel('Size', { exact: true }).focus()
  for (let i = 0; i < 20; i++) await page.keyboard.press(i % 2 ? 'ArrowUp' : 'ArrowDown')
  const before = await heapOf(page)
  for (let i = 0; i < 1000; i++) await page.keyboard.press(i % 2 ? 'ArrowUp' : 'ArrowDown')
  await page.getByRole('treeitem', { selected: true }).focus()
  for (let i = 0; i < 1000; i++) await page.keyboard.press(i % 2 ? 'Control+z' : 'Control+Shift+z')
  await page.waitForTimeout(2000)
  return (await heapOf(page)) - before
}

async function dragging(page: Page): Promise<number[]> {
  const handle = page.getByRole('slider', { name: 'Inside top, on the page' })
  await page
    .getByRole('treeitem', { name: /^Row/ })
    .first()
    .click({ position: { x: 40, y: 8 } })
  const box = (await handle.boundingBox())!
  await page.mouse.move(box.x + 8, box.y + 8)
  await page.mouse.down()
  const times = await timesOf(page, 40, (i) => page.mouse.move(box.x + 8, box.y + 8 + (i + 1) * 3))
  await page.mouse.up()
  return times
}

async function colours(page: Page): Promise<number[]> {
  await page.getByRole('button', { name: /^Colour:/ }).click()
  const swatches = page.locator('[data-headlessui-state] button[aria-pressed]')
  const count = await swatches.count()
  const times = await timesOf(page, 40, (i) => swatches.nth(i % Math.min(4, count)).press('Enter'))
  await page.keyboard.press('Escape')
  return times
}

/** One edit of a large layout by the core, against judging the whole of what it gives. */
function coreEdits(): Result {
  let layout = largeLayout('core', 760)
  const headings = elementsOf(layout).filter((e) => e.type === 'heading')
  const times: number[] = []
  const whole: number[] = []
  for (let i = 0; i < 2000; i++) {
    const edit: Edit = {
      kind: 'setProperty',
      id: headings[i % headings.length]!.id,
      property: 'text',
      value: `Text ${i}`,
    }
    const start = performance.now()
    const result = applyEdit(layout, edit)
    times.push(performance.now() - start)
    if (!result.ok) throw new Error(result.problem.sentence)
    layout = result.document
    if (i % 20 > 0) continue
    const from = performance.now()
    checkLayout(layout)
    whole.push(performance.now() - from)
  }
  const [mid, judged] = [median(times), median(whole)]
  return {
    name: 'An edit of a layout of 900 nodes, in the core',
    value: `${round(mid, 3)} ms`,
    against: `${round(judged / mid, 0)} times as long to judge the whole`,
    bound: 'under 0.2 ms',
    holds: mid < 0.2,
    data: { milliseconds: round(mid, 4), ratio: round(judged / mid, 1) },
  }
}

const bounded = (name: string, value: number, unit: string, bound: string, holds: boolean): Result => ({
  name,
  value: `${value} ${unit}`,
  against: 'a bound',
  bound,
  holds,
  data: { value },
})

async function openings(page: Page, server: TestServer, id: string): Promise<number> {
  const times: number[] = []
  for (let i = 0; i < 5; i++) times.push(await opening(page, server, id))
  return round(median(times), 0)
}

/** Letters typed into the words of a heading, asked for in the properties. */
async function letters(page: Page, times: number): Promise<number[]> {
  await page
    .getByRole('treeitem', { name: /^Heading: Heading 6$/ })
    .last()
    .click()
  await page.getByLabel('Text', { exact: true }).focus()
  return timesOf(page, times, (i) => page.keyboard.press('abcdefgh'[i % 8]!))
}

async function measure(server: TestServer): Promise<Result[]> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: ['--no-sandbox'] })
  try {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
    await signIn(page, server)
    const opened = await openings(page, server, 'large')
    await page.waitForTimeout(1000)
    await watchPage(page)
    const typed = await letters(page, 60)
    const nudges = await timesOf(page, 60, async () => {
      await page.getByLabel('Size', { exact: true }).focus()
      await page.keyboard.press('ArrowUp')
    })
    const picked = await colours(page)
    const grown = round((await growth(page)) / 1e6, 1)
    const dragged = await dragging(page)
    const { times: written, largest } = await typing(page)
    const huge = await openings(page, server, 'huge')
    await page.waitForTimeout(1500)
    await watchPage(page)
    const inHuge = await letters(page, 40)
    return [
      quick('A letter typed in a layout of 900 nodes, until it stands on the page', typed),
      quick('A size nudged there', nudges),
      quick('A colour chosen there', picked),
      quick('A step of dragging an edge there', dragged),
      quick('A letter written on the page there, in a text of 3,000 characters', written),
      bounded('Largest request while writing in it', round(largest / 1000, 2), 'KB', 'under 2 KB', largest < 2000),
      bounded('The heap grows by 1,000 edits and as many undos', grown, 'MB', 'under 10 MB', grown < 10),
      bounded('Opening a layout of 900 nodes', opened, 'ms', 'under 700 ms', opened < 700),
      bounded('Opening a layout of 3,000 nodes', huge, 'ms', 'under 2 s', huge < 2000),
      quick('A letter typed in a layout of 3,000 nodes', inHuge),
    ]
  } finally {
    await browser.close()
  }
}

export async function benchBench(): Promise<Result[]> {
  const server = await startServer()
  try {
    await fill(server.data)
    await server.restart()
    return [coreEdits(), ...(await measure(server))]
  } finally {
    await server.stop()
  }
}
