import { storeList, storedList } from './dom'

/**
 * Notices that a visitor may close. What was closed is left out before anything is drawn, so that nothing jumps: this
 * script runs at once, and not when the page has been read.
 */

const STORED = 'of-closed'
const MOST = 50

const closed = storedList(STORED)
const sheet = new CSSStyleSheet()
const hide = (notice: string) => {
  if (/^\w+$/.test(notice)) sheet.insertRule(`[data-notice="${notice}"]{display:none!important}`)
}
closed.forEach(hide)
document.adoptedStyleSheets = [...document.adoptedStyleSheets, sheet]

addEventListener('DOMContentLoaded', () => {
  for (const button of document.querySelectorAll<HTMLButtonElement>('[data-notice]>button')) {
    button.hidden = false
    button.onclick = () => {
      const { notice = '' } = button.parentElement!.dataset
      hide(notice)
      closed.push(notice)
      storeList(STORED, closed.slice(-MOST))
      document.getElementById('main')?.focus()
    }
  }
})
