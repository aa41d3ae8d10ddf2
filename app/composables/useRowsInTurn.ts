import { type Row, countNodes } from '#core/tree'

/** So many rows, columns and elements are there at once: more than any window shows. */
const AT_ONCE = 100
/** So many come after that in one go. */
const IN_TURN = 240
/** Between some rows and the next, in milliseconds: what a hand does meanwhile goes before them. */
const PAUSE = 30
/** When the page is not drawn by then, in milliseconds, the rest comes all the same. */
const PATIENCE = 600

/**
 * The rows of a long plan that are there: what is in sight at once, and the rest, a few at a time, once the page is
 * drawn, so that a large layout opens as quickly as a small one. `need` has them all there now.
 */
export function useRowsInTurn(all: () => readonly Row[]) {
  const surface = useSurface()
  const most = ref(AT_ONCE)
  let timer: ReturnType<typeof setTimeout> | undefined

  const rows = computed(() => {
    if (!Number.isFinite(most.value)) return all()
    let count = 0
    const end = all().findIndex((row) => (count += 1 + countNodes(row)) > most.value)
    return end < 0 ? all() : all().slice(0, Math.max(1, end))
  })

  function more(): void {
    most.value += IN_TURN
    if (rows.value.length < all().length) timer = setTimeout(more, PAUSE)
    else need()
  }
  function need(): void {
    clearTimeout(timer)
    most.value = Number.POSITIVE_INFINITY
  }

  const drawn = computed(() => surface.value?.loaded.value ?? false)
  onMounted(() => {
    timer = setTimeout(more, drawn.value ? PAUSE : PATIENCE)
  })
  watch(drawn, () => {
    clearTimeout(timer)
    if (Number.isFinite(most.value)) timer = setTimeout(more, PAUSE)
  })
  onBeforeUnmount(() => clearTimeout(timer))
  return { rows, need }
}
