import type { LeftOut } from '../model'
import { isLeftOut } from '../catalogue'
import type { Chunk } from './chunk'

/** A chunk that draws nothing on the page of an entry whose writer leaves it out. */
export function unlessLeftOut(what: LeftOut, chunk: Chunk): Chunk {
  if (chunk === '') return ''
  return (scene) => {
    if (isLeftOut(what, scene.subject)) return ''
    return typeof chunk === 'string' ? chunk : chunk(scene)
  }
}
