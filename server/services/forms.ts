import { SENT, TRAP, copyOf, daysKept, formOf, mailsOf, nextOf } from '../../core/elements'
import {
  type AskedForm,
  type CameIn,
  type FormWord,
  type Judged,
  type Message,
  type SentFiles,
  fieldName,
  isHeld,
  isOpen,
  judge,
  keptName,
} from '../../core/forms'
import type { Page } from '../../core/model'
import type { LayoutElement } from '../../core/tree'
import { endMessages, insertMessage, readSentFiles } from '../database/messages'
import type { Database } from '../database/open'
import { type Answer, ledOn, sentenceOf } from './answer'
import type { FileStore } from '../media/store'
import { Lately } from './lately'
import { log } from './log'
import type { Sent } from './asked'
import { Seal } from './seal'
import { Seals } from './seals'

/** What visitors send by forms: proved, judged, and kept. Nothing of what they say is ever in the log. */

const MINUTE = 60_000
const DAY = 24 * 60 * MINUTE
/** The same words from the same place within so long are one message. */
const TWICE = 10 * MINUTE
/** So much may come from one place, */
const FROM_PLACE = { most: 20, within: 10 * MINUTE }
/** and so much to one form before what comes is held. */
const TO_FORM = { most: 1200, within: 10 * MINUTE }
/** So many copies of what was sent go to one address, whoever says that it is theirs. */
const COPIES = { most: 3, within: DAY }
/** No question takes more files. */
const MOST_KEPT = 5
/** So often may forms with files come from one place, */
const FILES_FROM_PLACE = { most: 30, within: 10 * MINUTE }
/** and so many megabytes from one place, and from all. */
const MEGABYTES_FROM_PLACE = { most: 150, within: 60 * MINUTE }
const MEGABYTES_FROM_ALL = { most: 3000, within: 60 * MINUTE }
/** Files of forms that were never sent are taken away after so long. */
const UNSENT = 12 * 60 * MINUTE

/** Where files come in, are kept, and are read again. */
export type FormFiles = Pick<FileStore, 'has' | 'keep' | 'clearBut'>

/** A form, what was sent to it, how it was judged, and the element that draws it. */
type Kept = [form: AskedForm, sent: Sent, judged: Judged, element: LayoutElement]

export class Forms {
  private readonly fromPlaces: Lately
  private readonly toForms: Lately
  private readonly filesFromPlaces: Lately
  private readonly bytesFromPlaces: Lately
  private readonly copies: Lately
  private readonly bytesFromAll: Lately
  private readonly seals: Seals
  private readonly proofs: Seal
  /** What was sent is known again by a digest that nobody can guess back. */
  private readonly digests: Seal

  constructor(
    private readonly db: Database,
    /** Seals the proofs, and the names of files. */
    secret: string,
    private readonly files: FormFiles,
    /** Sends what was stored to be sent. */
    private readonly wake: () => void = () => undefined,
    private readonly now: () => number = Date.now,
  ) {
    this.fromPlaces = new Lately(FROM_PLACE, now)
    this.toForms = new Lately(TO_FORM, now)
    this.filesFromPlaces = new Lately(FILES_FROM_PLACE, now)
    this.bytesFromPlaces = new Lately(MEGABYTES_FROM_PLACE, now)
    this.copies = new Lately(COPIES, now)
    this.bytesFromAll = new Lately(MEGABYTES_FROM_ALL, now)
    this.proofs = new Seal(secret, 'forms')
    this.digests = new Seal(secret, 'digests of messages')
    this.seals = new Seals(secret)
  }

  /** Whether so many bytes of files may come from a place just now; counts them. */
  mayUpload(place: string, bytes: number): boolean {
    if (this.filesFromPlaces.tooMany(place)) return false
    const megabytes = Math.max(1, Math.ceil(bytes / 1_000_000))
    return !this.bytesFromPlaces.tooMany(place, megabytes) && !this.bytesFromAll.tooMany('all', megabytes)
  }

  /** Proves that a form was drawn on a page here in an hour. */
  proof(page: Pick<Page, 'key'>, form: string, hour: number): string {
    return `${hour.toString(36)}.${this.proofs.of(`${hour} ${page.key} ${form}`)}`
  }

  /** Whether what a place sends is taken just now; counts it. */
  mayTake(place: string): boolean {
    return !this.fromPlaces.tooMany(place)
  }

  /** Whether a proof is one of this page and form, and not too old. */
  isProved(page: Page, form: string, proof: string): boolean {
    const hour = Number.parseInt(proof.split('.')[0] ?? '', 36)
    return Number.isSafeInteger(hour) && isOpen(hour, this.now()) && this.isDrawn(page, form, proof)
  }

  /** Whether a proof was drawn on a page here with a form, whenever that was. */
  isDrawn(page: Page, form: string, proof: string): boolean {
    const [written = '', seal = ''] = proof.split('.')
    return this.proofs.fits(`${Number.parseInt(written, 36)} ${page.key} ${form}`, seal)
  }

  /** Answers what a form sent. What cannot be taken comes back with all that was answered, and says why. */
  readonly take = (sent: Sent): Promise<Answer> => this.answer(sent, (...made) => this.keep(...made))

  /** The same for a form of the draft, which is tried by whoever designs it: nothing is stored or mailed. */
  readonly rehearse = (sent: Sent): Promise<Answer> => this.answer(sent, async () => undefined)

  private async answer(sent: Sent, keep: (...made: Kept) => Promise<void>): Promise<Answer> {
    const { page, values, scene, asking } = sent
    const id = values.of?.[0] ?? ''
    const element = sent.element('form', id)
    if (!element) return sentenceOf(422, 'This form is not on this page any more. Go back and reload the page.')
    const form = formOf(element, scene)
    const files = await this.filesOf(form, sent)
    const judged = judge(form, values, files)
    // What came in is kept for the form that comes back, and for the message; of what is refused nothing stays.
    const keeping = () => this.keepFiles(sent)
    const again = async (word: FormWord, status: number, problems: Judged['problems'] = []): Promise<Answer> => {
      await keeping()
      return sent.redraw({ id, values, files, problems, says: form.words[word] }, status)
    }
    if (judged.problems.length > 0) return again('wrong', 422, judged.problems)
    if (!this.isProved(page, id, values.proof?.[0] ?? '')) return again('stale', 409)
    if (!this.mayTake(asking.place)) return again('often', 429)
    await keeping()
    await keep(form, sent, judged, element)
    const next = nextOf(element, scene)
    // A path of several slashes would lead to another site.
    const path = page.address || sent.path.replace(/^\/+/, '/')
    const here = `${encodeURI(path)}?${SENT}=${encodeURIComponent(id)}#of-${encodeURIComponent(id)}`
    return ledOn(next ?? here)
  }

  /** The files of each question: those that came in before and were not taken out, then those that come now. */
  private async filesOf(form: AskedForm, { page, values, files }: Sent): Promise<SentFiles> {
    const found: Record<string, CameIn[]> = {}
    for (const { id, kind } of form.questions) {
      if (kind !== 'file') continue
      const field = fieldName(id)
      const about = `${page.key} ${form.id} ${field}`
      const before = (values[keptName(id)] ?? [])
        .slice(0, MOST_KEPT)
        .flatMap((seal) => this.seals.open(seal, about) ?? [])
      const there = await Promise.all(before.map(async (file) => ((await this.files.has(file.hash)) ? [file] : [])))
      const now = (Object.hasOwn(files, field) ? files[field]! : []).map((file) => this.seals.seal(file, about))
      found[field] = [...there.flat(), ...now]
    }
    return found
  }

  private async keepFiles({ files }: Sent): Promise<void> {
    for (const { path, hash } of Object.values(files).flat()) if (path) await this.files.keep({ path, hash })
  }

  private async keep(...[form, sent, { answers }, element]: Kept): Promise<void> {
    const { page, values, asking, scene } = sent
    const message: Message = {
      format: 1,
      form: form.name.slice(0, 200),
      page: page.key,
      title: page.title.slice(0, 1000),
      answers,
    }
    const held = isHeld(answers, values[TRAP]?.[0] ?? '') || this.toForms.tooMany(form.id)
    const at = this.now()
    const digest = this.digests.of(JSON.stringify([asking.place, form.id, message]))
    const ends = at + daysKept(element) * DAY
    const made = { message, state: held ? ('held' as const) : ('unread' as const), at, ends, digest }
    const copy = copyOf(element, scene, form, answers)
    const copies = copy && !this.copies.tooMany(copy.to.toLowerCase()) ? [copy] : []
    const mails = [...mailsOf(element, scene, form, answers), ...copies]
    const id = await insertMessage(this.db, made, at - TWICE, mails)
    log('info', 'message-kept', { id, form: form.id, held })
    if (mails.length > 0 && !held) this.wake()
  }

  /** Takes away what was kept for long enough. */
  async endOld(): Promise<void> {
    const count = await endMessages(this.db, this.now())
    if (count > 0) log('info', 'messages-ended', { count })
  }

  /** Takes away files of messages that are gone, and of forms that were never sent. */
  async dropFiles(): Promise<void> {
    const gone = await this.files.clearBut(await readSentFiles(this.db), this.now() - UNSENT)
    if (gone > 0) log('info', 'sent-files-dropped', { count: gone })
  }
}
