import { useRefHistory } from '@vueuse/core'
import type { Ref } from 'vue'
import type { DisplayRule } from '#core/design'
import type { Id } from '#core/model'

interface Hooks {
  /** The frame as the draft has it; null where it has none. */
  stored(id: Id): DisplayRule | null
  /** Makes a frame in the draft what it was, or takes it away where it was not there. */
  put(id: Id, frame: DisplayRule | null): Promise<void>
  nameOf(id: Id): string
}

interface Kept {
  id: Id
  frame: DisplayRule | null
}

const copy = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** Undo and redo on the Map: the steps of the open edit, and, with none open, what was kept last. */
export function useMapUndo<E extends { frame: DisplayRule }>(edit: Ref<E | null>, { stored, put, nameOf }: Hooks) {
  const before: Kept[] = []
  const after: Kept[] = []
  const steps = useRefHistory(edit, { deep: true, capacity: 200, clone: copy })

  /** Notes what was kept, with the frame as it was before. */
  function noteKept(id: Id, frame: DisplayRule | null): void {
    before.push({ id, frame })
    after.length = 0
  }

  /** Takes the last of one list and puts what stands now on the other. Gives what to say of it. */
  async function step(from: Kept[], to: Kept[], words: string): Promise<string | null> {
    const last = from.pop()
    if (!last) return null
    const name = nameOf(last.id)
    to.push({ id: last.id, frame: stored(last.id) })
    await put(last.id, last.frame)
    return `${words}: ${name}.`
  }

  async function undo(): Promise<string | null> {
    if (!edit.value) return step(before, after, 'Taken back')
    const last = steps.history.value[1]?.snapshot as E | null | undefined
    if (last?.frame.id === edit.value.frame.id) steps.undo()
    return null
  }

  async function redo(): Promise<string | null> {
    if (!edit.value) return step(after, before, 'Done again')
    if (steps.canRedo.value) steps.redo()
    return null
  }

  return { undo, redo, noteKept }
}
