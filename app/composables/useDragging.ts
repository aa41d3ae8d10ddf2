import { useEventListener } from '@vueuse/core'

const THRESHOLD = 5

export interface DragHooks {
  /** The node that a press begins on, or null. */
  nodeAt(event: PointerEvent): string | null
  over(id: string, event: PointerEvent): void
  /** `done` is false when the drag was given up. */
  end(id: string, done: boolean): void
}

/** Dragging one node by the pointer; a press that does not move stays a click. */
export function useDragging(hooks: DragHooks) {
  const dragging = ref<string | null>(null)
  let pressed: { id: string; x: number; y: number } | null = null

  function begin(event: PointerEvent): void {
    const onControl = (event.target as Element).closest('[data-edge], input, select')
    const id = event.button === 0 && !onControl ? hooks.nodeAt(event) : null
    pressed = id ? { id, x: event.clientX, y: event.clientY } : null
  }
  function move(event: PointerEvent): void {
    if (!pressed) return
    if (!dragging.value && Math.hypot(event.clientX - pressed.x, event.clientY - pressed.y) < THRESHOLD) return
    dragging.value = pressed.id
    hooks.over(pressed.id, event)
  }
  function finish(done: boolean): void {
    if (dragging.value) hooks.end(dragging.value, done)
    dragging.value = null
    pressed = null
  }

  useEventListener('pointermove', move)
  useEventListener('pointerup', () => finish(true))
  useEventListener('pointercancel', () => finish(false))
  useEventListener('keydown', (event) => {
    if (event.key === 'Escape' && dragging.value) {
      event.preventDefault()
      finish(false)
    }
  })

  return { begin, move, finish, dragging }
}
