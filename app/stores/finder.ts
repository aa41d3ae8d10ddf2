import { defineStore } from 'pinia'
import { ref, shallowRef } from 'vue'

/** Something that can be found and gone to, or done. */
export interface Findable {
  key: string
  label: string
  /** What it is, in a few words, beside its name. */
  about: string
  group:
    | 'Here'
    | 'Do'
    | 'Layouts'
    | 'Frames'
    | 'Pages'
    | 'Entries'
    | 'Menus'
    | 'Page types'
    | 'Terms'
    | 'People'
    | 'Pictures'
    | 'Studio'
  keys?: readonly string[]
  run(): void
}

/** What can be found and done from anywhere in the studio; a screen adds what is on it. */
export const useFinder = defineStore('finder', () => {
  const open = ref(false)
  /** Told by the screen that is shown, asked when the list opens. */
  const here = shallowRef<() => Findable[]>(() => [])
  return { open, here }
})
