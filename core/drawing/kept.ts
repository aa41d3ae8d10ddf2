import { fieldSource } from '../catalogue'
import type { Reading } from '../fields'
import type { FieldValue } from '../tree'
import type { Fill, Scene } from './scene'

const NOTHING: readonly string[] = []

/** How much HTML of written values one chunk keeps for one page type before it begins anew. */
const MOST_KEPT = 2000

/** What was written, and what was read of the catalogue for it. */
interface Written {
  made: string
  seen: Iterable<string>
}

/** HTML by the value it was written from: texts and numbers by what they are, lists and documents by which they are. */
class KeptHtml {
  private readonly texts = new Map<unknown, Written>()
  private readonly lists = new WeakMap<object, Written>()

  get(raw: unknown): Written | undefined {
    return typeof raw === 'object' ? this.lists.get(raw!) : this.texts.get(raw)
  }

  set(raw: unknown, html: Written): void {
    if (typeof raw === 'object') {
      this.lists.set(raw!, html)
      return
    }
    if (this.texts.size >= MOST_KEPT) this.texts.clear()
    this.texts.set(raw, html)
  }
}

/**
 * What a value comes to depends on the catalogue and the formats alone, and on the page type whose field it is: for
 * each type there is a store of its own, and under another catalogue all begin anew.
 */
class KeptByType {
  private state: unknown
  private formats: unknown
  private readonly byType = new Map<unknown, KeptHtml>()
  private type: unknown
  private current = new KeptHtml()

  for(scene: Scene, type: unknown): KeptHtml {
    if (scene.catalogue.state !== this.state || scene.formats !== this.formats) {
      this.byType.clear()
      this.state = scene.catalogue.state
      this.formats = scene.formats
    } else if (type === this.type) return this.current
    let kept = this.byType.get(type)
    if (!kept) this.byType.set(type, (kept = new KeptHtml()))
    this.type = type
    return (this.current = kept)
  }
}

/**
 * A chunk that is written from one field and, but for it, from nothing that differs between scenes: what it came to
 * for a value is kept, because values recur and writing them is slow. Where nothing is written, `otherwise` is asked
 * each time, since what stands in may differ.
 */
export function keptFill(
  ref: FieldValue,
  write: (reading: Reading, scene: Scene) => string,
  otherwise: (scene: Scene) => string,
): Fill {
  const source = fieldSource(ref)
  const byType = new KeptByType()
  return (scene) => {
    const subject = source.subject(scene)
    const raw = subject === null ? undefined : source.raw(subject, scene)
    if (subject === null || raw === undefined || raw === null) return otherwise(scene)
    const kept = byType.for(scene, subject.kind === 'entry' ? subject.type : subject.kind)
    // What is read of a second field too is not told by the value of the first.
    const keeps = ref.format?.until === undefined
    const known = keeps ? kept.get(raw) : undefined
    if (known !== undefined) {
      scene.catalogue.seeAll(known.seen)
      return known.made
    }
    const reading = source.reading(subject, scene)
    if (reading === null) return otherwise(scene)
    const { made, seen } = scene.catalogue.watch(() => write(reading, scene))
    if (made === '') return otherwise(scene)
    if (keeps) kept.set(raw, { made, seen: seen.size > 0 ? seen : NOTHING })
    return made
  }
}
