import { type Chunk, type Scene, escapeHtml, fill } from '../../drawing'
import { screensAround } from '../../lists'
import { type OnPage, addressFor } from './listed'

/** The ways to the other screens of a list. */
export interface ScreenWords {
  open: string
  link: string
  previous: Chunk
  next: Chunk
  more: Chunk
  /** What the whole is called for those who hear it. */
  name: Chunk
}

const link = (href: string, words: string, looks: string, more = ''): string =>
  `<a${looks}${more} href="${escapeHtml(href)}">${words}</a>`

/** Numbers with the neighbours before and behind them; or one link to what comes next, which adds to the page where there is script. */
export function drawScreens(on: OnPage, scene: Scene, how: string, words: ScreenWords): string {
  const { screens } = on
  const screen = on.screen ?? 1
  if (screens < 2) return ''
  const to = (n: number) => addressFor(on, scene, { screen: n })
  const say = (chunk: Chunk) => fill([chunk], scene)
  const name = say(words.name)
  const open = `<nav${words.open} aria-label="${name}">`
  if (how === 'more') {
    const more = screen < screens ? link(to(screen + 1), say(words.more), words.link, ' rel="next" data-more') : ''
    const back = screen > 1 ? link(to(screen - 1), say(words.previous), words.link, ' rel="prev"') : ''
    return `${open}${back}${more}</nav>`
  }
  const numbers = screensAround(screen, screens).map((n) => {
    if (n === 0) return '<li aria-hidden="true">…</li>'
    const text = escapeHtml(scene.formats.number(n, NUMBER))
    return `<li>${n === screen ? `<span aria-current="page">${text}</span>` : link(to(n), text, words.link)}</li>`
  })
  const previous = screen > 1 ? link(to(screen - 1), say(words.previous), words.link, ' rel="prev"') : ''
  const next = screen < screens ? link(to(screen + 1), say(words.next), words.link, ' rel="next"') : ''
  return `${open}${previous}<ol>${numbers.join('')}</ol>${next}</nav>`
}

const NUMBER = {}
