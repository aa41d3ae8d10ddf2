import { performance } from 'node:perf_hooks'
import { crc32 } from 'node:zlib'

/** One line of the report: what was measured against what, the ratio, and the bound it should keep. */
export interface Result {
  name: string
  value: string
  against: string
  bound: string
  holds: boolean
  data: Record<string, number>
}

/** Median of samples. */
export function median(samples: readonly number[]): number {
  const sorted = [...samples].sort((a, b) => a - b)
  const middle = Math.floor(sorted.length / 2)
  return sorted.length % 2 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2
}

const encoder = new TextEncoder()
const page = new Uint8Array(8_000_000)

/** What was used so far: it keeps the optimiser from dropping what is only measured. */
export const sink = { hash: 0 }

/**
 * Uses a text as a server does that sends it: to its last byte. A string that was only put together is a rope that
 * nobody has written down; its bytes are written here, and hashed.
 */
export function use(text: string): void {
  const { written } = encoder.encodeInto(text, page)
  sink.hash = crc32(page.subarray(0, written), sink.hash)
}

/**
 * Microseconds that one call takes, its text used to the last byte, for several functions side by side: rounds are
 * interleaved, so that what the machine does meanwhile touches all of them alike.
 */
export async function sideBySide<K extends string>(
  works: Record<K, () => string | Promise<string>>,
  rounds = 40,
  roundMs = 12,
): Promise<Record<K, number>> {
  const names = Object.keys(works) as K[]
  const samples = Object.fromEntries(names.map((n) => [n, [] as number[]])) as Record<K, number[]>
  for (let round = -5; round < rounds; round++) {
    for (const name of names) {
      const work = works[name]
      const start = performance.now()
      let calls = 0
      do {
        for (let i = 0; i < 16; i++) {
          const text = work()
          use(typeof text === 'string' ? text : await text)
        }
        calls += 16
      } while (performance.now() - start < roundMs)
      if (round >= 0) samples[name].push(((performance.now() - start) * 1000) / calls)
    }
  }
  return Object.fromEntries(names.map((n) => [n, median(samples[n])])) as Record<K, number>
}

export const round = (value: number, digits = 2): number => Math.round(value * 10 ** digits) / 10 ** digits

/** How long something takes, in milliseconds. */
export const timed = (work: () => unknown): number => {
  const from = performance.now()
  work()
  return performance.now() - from
}
