import { dictionary } from '@zxcvbn-ts/language-common'
import { fail } from '../../core/problems'
import { withoutEnd } from '../../core/text'

/** Which passwords are refused, besides short ones: those that whoever guesses tries first. */

/** A password is made of at least so many different signs. */
const LEAST_DIFFERENT = 5

let known: ReadonlySet<string> | null = null

/** The commonest passwords, as they were found in lists that were made public. */
const common = (): ReadonlySet<string> => (known ??= new Set(dictionary['passwords-common'] as readonly string[]))

/** A word that is written again and again, once. */
function once(word: string): string {
  const at = (word + word).indexOf(word, 1)
  return word.slice(0, at)
}

/** Why a password is too easily guessed, as a sentence; null where it is not. `owner` is what is known of whose it is. */
export function weakness(password: string, owner: { mail?: string; name?: string } = {}): string | null {
  const plain = password.normalize('NFKC').toLowerCase().trim()
  if (new Set(plain).size < LEAST_DIFFERENT) return 'It repeats the same few signs'
  const mail = owner.mail?.toLowerCase().trim() ?? ''
  const own = [mail, mail.split('@')[0]!, owner.name?.toLowerCase().trim() ?? ''].filter((word) => word.length >= 3)
  if (own.some((word) => plain === word || once(plain) === word)) return 'It is what everybody knows of you'
  const stem = withoutEnd(plain, '0123456789!?.,-_*#$%&+@ ')
  if (
    [plain, once(plain), stem].some((word) => word.length >= 4 && common().has(word) && plain.length - word.length <= 6)
  )
    return 'It is one of the commonest passwords'
  return null
}

/** Throws a problem for a password that is too easily guessed. */
export function refuseWeak(password: string, owner?: { mail?: string; name?: string }): void {
  const why = weakness(password, owner)
  if (why) fail('password-weak', { why })
}
