import { createHmac, timingSafeEqual } from 'node:crypto'

/** Seals words with the secret of the installation, for one purpose: what was sealed for another is none. */
export class Seal {
  constructor(
    private readonly secret: string,
    private readonly purpose: string,
    /** So many characters are enough for what is short. */
    private readonly length = 43,
  ) {}

  of(words: string): string {
    const sealed = createHmac('sha256', `${this.purpose} ${this.secret}`).update(words).digest('base64url')
    return sealed.slice(0, this.length)
  }

  /** Whether a seal is that of some words; told in the same time whatever it is. */
  fits(words: string, seal: string): boolean {
    const [given, right] = [Buffer.from(seal), Buffer.from(this.of(words))]
    return given.length === right.length && timingSafeEqual(given, right)
  }
}
