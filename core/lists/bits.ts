/** A set of small numbers, one bit for each: 100,000 of them are 12.5 KB, and two are met in a hundredth of a millisecond. */
export type Bits = Uint32Array

export const noBits = (capacity: number): Bits => new Uint32Array((capacity + 31) >>> 5)

export const hasBit = (bits: Bits, at: number): boolean => (bits[at >>> 5]! & (1 << (at & 31))) !== 0

export function putBit(bits: Bits, at: number, on: boolean): void {
  if (on) bits[at >>> 5]! |= 1 << (at & 31)
  else bits[at >>> 5]! &= ~(1 << (at & 31))
}

function countWord(word: number): number {
  let n = word - ((word >>> 1) & 0x55555555)
  n = (n & 0x33333333) + ((n >>> 2) & 0x33333333)
  return Math.imul((n + (n >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24
}

export function countBits(bits: Bits): number {
  let count = 0
  for (let i = 0; i < bits.length; i++) if (bits[i]) count += countWord(bits[i]!)
  return count
}

/** How many are in both. */
export function countBoth(a: Bits, b: Bits): number {
  let count = 0
  for (let i = 0; i < a.length; i++) {
    const both = a[i]! & b[i]!
    if (both) count += countWord(both)
  }
  return count
}

/** What is in both, as a set of its own. */
export function both(a: Bits, b: Bits): Bits {
  const made = new Uint32Array(a.length)
  for (let i = 0; i < a.length; i++) made[i] = a[i]! & b[i]!
  return made
}

/** What is in any of them, as a set of its own. */
export function anyOf(sets: readonly Bits[], capacity: number): Bits {
  const made = noBits(capacity)
  for (const set of sets) for (let i = 0; i < made.length; i++) made[i]! |= set[i]!
  return made
}

/**
 * What is in some of these sets, by how many: the first holds what is in exactly one, and so on. Counted for 32 numbers
 * at once, in binary, one set of bits for each digit.
 */
export function byHowMany(sets: readonly Bits[], capacity: number): Bits[] {
  const digits: Bits[] = []
  for (const set of sets) {
    let carry: Bits = set.slice()
    for (let d = 0; carry.some((word) => word !== 0); d++) {
      const digit = (digits[d] ??= noBits(capacity))
      const next = noBits(capacity)
      for (let i = 0; i < digit.length; i++) {
        next[i] = digit[i]! & carry[i]!
        digit[i]! ^= carry[i]!
      }
      carry = next
    }
  }
  return sets.map((_, i) => countedAs(i + 1, digits, capacity))
}

function countedAs(count: number, digits: readonly Bits[], capacity: number): Bits {
  const made = noBits(capacity).fill(count < 2 ** digits.length ? 0xffffffff : 0)
  digits.forEach((digit, d) => {
    const on = (count >>> d) & 1
    for (let i = 0; i < made.length; i++) made[i]! &= on ? digit[i]! : ~digit[i]!
  })
  return made
}

/** Shows each number that is in a set, smallest first. */
export function eachBit(bits: Bits, see: (at: number) => void): void {
  for (let i = 0; i < bits.length; i++) {
    let word = bits[i]!
    while (word !== 0) {
      const low = word & -word
      see((i << 5) + (31 - Math.clz32(low)))
      word ^= low
    }
  }
}
