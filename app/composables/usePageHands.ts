import { useEventListener } from '@vueuse/core'
import { type Drop, dropAt } from '#core/editor'
import { find } from '#core/tree'
import type { Id } from '#core/model'
import { useBench } from '~/stores/bench'

/** What the hands at a page are told of, and what they ask. */
interface Hands {
  /** How much of the page is seen, in its pixels. */
  height(): number
  /** A hand comes to this page. */
  come(): void
  scrolled(): void
  key(event: KeyboardEvent): void
  /** The frame is there to be drawn in. */
  ready(): void
}

/** What pointers and keys do on the page itself: choose, drag, write. Nothing in the page acts by itself. */
export function usePageHands(surface: PageSurface, words: ReturnType<typeof useWordsOnPage>, hands: Hands) {
  const bench = useBench()
  const hovered = ref<Id | null>(null)
  const drop = ref<Drop | null>(null)
  const isWriting = (target: EventTarget | null) =>
    // The page has classes of its own, so that nothing here is an instance of ours.
    words.written.value?.element.contains(target as Node | null) ?? false

  /** While something is dragged near the top or the end of the window, the page moves under it. */
  let scrolling: ReturnType<typeof setInterval> | undefined
  function scrollAtEdges(y: number) {
    clearInterval(scrolling)
    const by = y < 48 ? -14 : y > hands.height() - 48 ? 14 : 0
    if (by) scrolling = setInterval(() => surface.doc()?.defaultView?.scrollBy(0, by), 16)
  }

  const { begin, move, finish, dragging } = useDragging({
    nodeAt: (event) => {
      const id = bench.mayEdit ? surface.nodeAt(event.clientX, event.clientY) : null
      return id && bench.heldFor(id)
    },
    over(id, event) {
      const node = find(bench.layout!, id)?.node
      scrollAtEdges(event.clientY)
      drop.value = node ? dropAt(bench.layout!, surface.boxOf, { x: event.clientX, y: event.clientY }, node) : null
    },
    end(id, done) {
      clearInterval(scrolling)
      if (done && drop.value) bench.drop(id, drop.value)
      drop.value = null
    },
  })

  function listen() {
    const page = surface.doc()
    if (!page) return
    hands.ready()
    const on = <K extends keyof DocumentEventMap>(type: K, run: (event: DocumentEventMap[K]) => void) =>
      page.addEventListener(type, run, { capture: true })
    on('click', (event) => {
      if (isWriting(event.target)) return
      event.preventDefault()
      words.leave()
      bench.chooseOnPage(surface.nodeAt(event.clientX, event.clientY), howChosen(event))
    })
    on('submit', (event) => event.preventDefault())
    on('pointerdown', hands.come)
    on('wheel', hands.come)
    on('pointerdown', (event) => !isWriting(event.target) && begin(event))
    on('dblclick', (event) => {
      if (!bench.mayEdit || isWriting(event.target)) return
      if (words.begin(words.wordsAt(event.target as Element))) event.preventDefault()
    })
    on('pointermove', (event) => {
      hovered.value = surface.nodeAt(event.clientX, event.clientY)
      move(event)
    })
    on('pointerup', () => finish(true))
    on('keydown', (event) => {
      if (event.key !== 'Escape' || !dragging.value) return
      event.preventDefault()
      finish(false)
    })
    on('keydown', (event) => !isWriting(event.target) && hands.key(event))
    on('load', surface.measure)
    page.documentElement.addEventListener('mouseleave', () => (hovered.value = null))
    page.defaultView?.addEventListener('scroll', hands.scrolled, { passive: true })
    page.defaultView?.addEventListener('resize', surface.measure)
    void page.fonts.ready.then(surface.measure)
  }
  useEventListener('resize', surface.measure)

  return { hovered, drop, dragging, listen }
}
