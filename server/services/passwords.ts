import { Scrypt } from '@adonisjs/hash/drivers/scrypt'
import pLimit from 'p-limit'
import { fail } from '../../core/problems'

/** As strong as is advised for signing in by OWASP: N = 2^17, r = 8, p = 1, which takes 128 MB for each. */
const STRONG = {
  cost: 2 ** 17,
  blockSize: 8,
  parallelization: 1,
  saltSize: 16,
  keyLength: 64,
  maxMemory: 256 * 2 ** 20,
}
/** Hashing is dear on purpose: so many at once, and no more than so many waiting. */
const AT_ONCE = 2
const MOST_WAITING = 24

/** Makes and checks hashes of passwords, a few at a time. */
export class Passwords {
  private readonly scrypt = new Scrypt(STRONG)
  private readonly queue = pLimit(AT_ONCE)
  private decoy: Promise<string> | null = null

  private run<T>(work: () => Promise<T>): Promise<T> {
    if (this.queue.pendingCount >= MOST_WAITING) fail('sign-in-busy')
    return this.queue(work)
  }

  hash(password: string): Promise<string> {
    return this.run(() => this.scrypt.make(password))
  }

  /** Whether a password is the one of a hash. Without a hash it takes as long, and is not. */
  async verify(hash: string | undefined, password: string): Promise<boolean> {
    const against = hash ?? (await this.decoyHash())
    const known = this.scrypt.isValidHash(against) ? against : await this.decoyHash()
    return (await this.run(() => this.scrypt.verify(known, password))) && hash === known
  }

  /** What is checked where there is no hash: made beside the queue, which may be full, and made again where it failed. */
  private decoyHash(): Promise<string> {
    return (this.decoy ??= this.scrypt.make('nobody has this password').catch((error: unknown) => {
      this.decoy = null
      throw error
    }))
  }

  /** True for a hash that is weaker than those made now. */
  isWeak(hash: string): boolean {
    return this.scrypt.needsReHash(hash)
  }
}
