import { around, isCalm } from './dom'

/** Slides are stepped by buttons, and run by themselves until stopped, touched or looked at; never where rest is asked for. */

function attend(show: HTMLElement): void {
  const list = show.querySelector('ol')!
  const bar = show.querySelector<HTMLElement>('.of-slides-go')
  if (!bar) return
  bar.hidden = false
  const count = list.children.length
  const go = (by: number) => {
    const at = Math.round(list.scrollLeft / list.clientWidth)
    const left = ((at + by + count) % count) * list.clientWidth
    list.scrollTo({ left, behavior: isCalm() ? 'auto' : 'smooth' })
  }
  const pause = bar.querySelector<HTMLElement>('[data-go=stop]')
  const say = (sign: string, words: string) => {
    if (!pause) return
    pause.textContent = sign
    pause.ariaLabel = pause.dataset[words] ?? null
  }
  let timer = 0
  const stop = () => {
    clearInterval(timer)
    timer = 0
    say('►', 'run')
  }
  const run = () => {
    const seconds = Number(show.dataset.seconds)
    timer = window.setInterval(() => show.matches(':hover,:focus-within') || go(1), seconds * 1000)
    say('❚❚', 'stop')
  }
  bar.onclick = (event) => {
    const button = around<HTMLButtonElement>(event, 'button')
    if (!button) return
    if (button === pause) return timer ? stop() : run()
    stop()
    go(Number(button.dataset.go))
  }
  list.addEventListener('pointerdown', stop)
  if (pause) (isCalm() ? stop : run)()
}

for (const show of document.querySelectorAll<HTMLElement>('.of-slides')) attend(show)
