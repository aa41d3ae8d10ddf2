/** The strike of a clock as a WAVE file: partials of a bell that die away, the higher the sooner. */

const RATE = 11_025
const SECONDS = 1.3

/** A bell: its lowest partial in hertz, and how long it rings, in seconds. */
export interface Bell {
  pitch: number
  rings: number
  strikes: number
}

const PARTIALS: readonly (readonly [times: number, loud: number])[] = [
  [1, 0.5],
  [2, 0.34],
  [2.4, 0.22],
  [3, 0.16],
  [4.2, 0.1],
  [5.4, 0.06],
]

function at(seconds: number, { pitch, rings }: Bell): number {
  let sum = 0
  for (const [times, loud] of PARTIALS)
    sum += loud * Math.sin(2 * Math.PI * pitch * times * seconds) * Math.exp((-seconds * Math.sqrt(times)) / rings)
  return sum
}

/** The bytes of a WAVE file, 8 bits and one channel. */
export function strike(bell: Bell): Buffer {
  const samples = Math.round(RATE * (SECONDS * bell.strikes + bell.rings))
  const data = Buffer.alloc(samples)
  for (let i = 0; i < samples; i++) {
    const seconds = i / RATE
    const last = Math.min(bell.strikes - 1, Math.floor(seconds / SECONDS))
    let sum = 0
    for (let blow = 0; blow <= last; blow++) sum += at(seconds - blow * SECONDS, bell)
    data[i] = Math.max(0, Math.min(255, Math.round(128 + 92 * sum)))
  }
  const head = Buffer.alloc(44)
  head.write('RIFF', 0)
  head.writeUInt32LE(36 + samples, 4)
  head.write('WAVEfmt ', 8)
  head.writeUInt32LE(16, 16)
  head.writeUInt16LE(1, 20)
  head.writeUInt16LE(1, 22)
  head.writeUInt32LE(RATE, 24)
  head.writeUInt32LE(RATE, 28)
  head.writeUInt16LE(1, 32)
  head.writeUInt16LE(8, 34)
  head.write('data', 36)
  head.writeUInt32LE(samples, 40)
  return Buffer.concat([head, data])
}
