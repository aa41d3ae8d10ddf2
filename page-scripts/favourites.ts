import { around, pageOf, storeList, storedList } from './dom'

/**
 * What a visitor marks is kept in their browser, by the ids of entries. Buttons mark and tell; counts tell how many; a
 * list of favourites is fetched from the page that it stands on, asked for what is marked.
 */

const STORED = 'of-favourites'
const MOST = 200

const marked = (): string[] => storedList(STORED).slice(0, MOST)
const buttons = (root: ParentNode) => root.querySelectorAll<HTMLButtonElement>('[data-favourite]')

function showMarks(marks: readonly string[]): void {
  for (const button of buttons(document)) {
    const { favourite = '', marked: taken = '', mark = '' } = button.dataset
    const isOn = marks.includes(favourite)
    button.hidden = false
    button.ariaPressed = String(isOn)
    button.querySelector('[data-label]')!.textContent = isOn ? taken : mark
  }
  for (const count of document.querySelectorAll<HTMLElement>('[data-favourites-count]')) {
    count.textContent = marks.length ? String(marks.length) : ''
    count.hidden = marks.length === 0
  }
}

/** The list of what is marked, as the page has it where it is asked for that. */
async function showList(marks: readonly string[]): Promise<void> {
  const list = document.querySelector('[data-favourites]')
  const address = new URL(location.href)
  if (!list || address.searchParams.has('marked')) return
  address.searchParams.set('marked', marks.join(' '))
  try {
    const there = pageOf(await (await fetch(address)).text()).querySelector('[data-favourites]')
    if (there) list.replaceChildren(...there.childNodes)
  } catch {
    // The list stays as it was: the visitor may be offline.
  }
  for (const button of buttons(list)) button.hidden = false
}

function show(): void {
  const marks = marked()
  showMarks(marks)
  void showList(marks)
}

addEventListener('click', (event) => {
  const button = around<HTMLButtonElement>(event, '[data-favourite]')
  if (!button) return
  const { favourite = '' } = button.dataset
  const marks = marked()
  const others = marks.filter((id) => id !== favourite)
  storeList(STORED, (others.length < marks.length ? others : [favourite, ...marks]).slice(0, MOST))
  show()
})
addEventListener('storage', ({ key }) => {
  if (key === STORED) show()
})
show()
