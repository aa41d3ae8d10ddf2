import { onClickOutside } from '@vueuse/core'
import type { Ref } from 'vue'

/** Calls back when a press or the focus goes elsewhere; gives what to bind to `focusout`. */
export function useLeaving(root: Ref<HTMLElement | undefined>, left: () => void) {
  onClickOutside(root, left)
  return (event: FocusEvent): void => {
    const to = event.relatedTarget
    if (to instanceof Node && !root.value?.contains(to)) left()
  }
}
