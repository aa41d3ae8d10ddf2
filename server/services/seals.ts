import { type CameIn, HASH } from '../../core/forms'
import { Seal } from './seal'
import type { Upload } from './uploads'

/** Names files that came in with a form that was not taken yet, so that it can be sent again with them and no others. */

const KINDS = ['picture', 'document', 'other'] as const

export class Seals {
  private readonly files: Seal

  constructor(secret: string) {
    this.files = new Seal(secret, 'files')
  }

  /** A file with its seal; it holds for one field of one form on one page. */
  seal(file: Upload, about: string): CameIn {
    const { hash, size, kind, mime, name } = file
    const words = Buffer.from(JSON.stringify([hash, size, kind, mime, name])).toString('base64url')
    return { hash, size, kind, mime, name, seal: `${words}.${this.files.of(`${about}\n${words}`)}` }
  }

  /** The file that a seal names; null for one that was not made here, or for something else. */
  open(seal: string, about: string): CameIn | null {
    const [words = '', given = ''] = seal.slice(0, 3000).split('.')
    if (!this.files.fits(`${about}\n${words}`, given)) return null
    const [hash, size, kind, mime, name] = JSON.parse(Buffer.from(words, 'base64url').toString()) as [
      string,
      number,
      CameIn['kind'],
      string,
      string,
    ]
    return HASH.test(hash) && KINDS.includes(kind) ? { hash, size, kind, mime, name, seal } : null
  }
}
