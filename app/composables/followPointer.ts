/** How far a pointer has come since it was pressed, in pixels of the window. */
export interface Moved {
  x: number
  y: number
}

/** Follows a press on a handle, wherever the pointer goes, until it is let go or given up. */
export function followPointer(
  event: PointerEvent,
  moved: (by: Moved, event: PointerEvent) => void,
  ended: (done: boolean) => void = () => {},
): void {
  const handle = event.currentTarget as HTMLElement
  const [x, y] = [event.clientX, event.clientY]
  handle.setPointerCapture(event.pointerId)
  handle.onpointermove = (e) => moved({ x: e.clientX - x, y: e.clientY - y }, e)
  handle.onpointerup = handle.onpointercancel = (e) => {
    handle.onpointermove = handle.onpointerup = handle.onpointercancel = null
    ended(e.type === 'pointerup')
  }
}
