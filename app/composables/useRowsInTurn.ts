/** So many are there at once: more than any window shows. */
const AT_ONCE = 12
/** Between some rows and the next, in milliseconds: what a hand does meanwhile goes before them. */
const PAUSE = 30
/** When the page is not drawn by then, in milliseconds, the rest comes all the same. */
const PATIENCE = 600

/**
 * How many rows of a long plan are there: what is in sight at once, and the rest, a few at a time, once the page is
 * drawn, so that a large layout opens as quickly as a small one. `need` has them all there now.
 */
export function useRowsInTurn(count: () => number) {
  const surface = useSurface()
  const there = ref(AT_ONCE)
  let timer: ReturnType<typeof setTimeout> | undefined

  function more(): void {
    there.value += AT_ONCE
    if (there.value < count()) timer = setTimeout(more, PAUSE)
    else need()
  }
  function need(): void {
    clearTimeout(timer)
    there.value = Number.POSITIVE_INFINITY
  }

  const drawn = computed(() => surface.value?.loaded.value ?? false)
  onMounted(() => {
    timer = setTimeout(more, drawn.value ? PAUSE : PATIENCE)
  })
  watch(drawn, () => {
    clearTimeout(timer)
    if (Number.isFinite(there.value)) timer = setTimeout(more, PAUSE)
  })
  onBeforeUnmount(() => clearTimeout(timer))
  return { there, need }
}
