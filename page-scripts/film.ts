import { around, isElsewhere } from './dom'

/** A film of the site takes the place of its still once that is pressed. */

document.addEventListener('click', (event) => {
  const link = around<HTMLAnchorElement>(event, '[data-film]')
  if (!link || isElsewhere(event)) return
  event.preventDefault()
  const video = document.createElement('video')
  video.controls = video.autoplay = true
  video.src = link.href
  const still = link.querySelector('img')
  if (still) video.poster = still.currentSrc
  link.replaceWith(video)
  video.focus()
})
