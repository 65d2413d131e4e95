import type { Generation } from '../../things/model'
import { DDR3_LAYOUT as DDR3 } from './ddr3'
import { DDR4_LAYOUT as DDR4 } from './ddr4'
import { DDR5_LAYOUT as DDR5 } from './ddr5'
import { type ContentsLayout, checksumHolds } from './shared'

const PLANS: Readonly<Record<number, ContentsLayout>> = { 11: DDR3, 12: DDR4, 18: DDR5 }

/** Fields that hold one of few values in any contents: byte, shift, mask, the values there are. */
const FIELDS: Partial<Record<Generation, [number, number, number, number[]][]>> = {
  DDR3: [
    [3, 0, 15, [1, 2, 3, 4, 5, 6, 8, 11]],
    [4, 0, 15, [0, 1, 2, 3, 4, 5, 6]],
    [7, 0, 7, [0, 1, 2, 3]],
    [8, 0, 7, [0, 1, 2, 3]],
    [10, 0, 255, [1]],
    [11, 0, 255, [8, 10, 15, 16]],
  ],
  DDR4: [
    [3, 0, 15, [1, 2, 3, 4, 5, 6, 8, 9]],
    [4, 0, 15, [2, 3, 4, 5, 6, 7, 8, 9]],
    [11, 0, 3, [1, 3]],
    [12, 0, 7, [0, 1, 2, 3]],
    [13, 0, 7, [0, 1, 2, 3]],
    [17, 0, 255, [0]],
  ],
  DDR5: [
    [3, 0, 15, [1, 2, 3, 4, 5, 6, 7, 8]],
    [4, 0, 31, [1, 2, 3, 4, 5, 6, 7, 8]],
    [6, 5, 7, [0, 1, 2, 3]],
    [235, 0, 7, [0, 1, 2, 3]],
  ],
}

/**
 * How likely bytes are a module's contents, 0 to 1: by the memory type, then the checksum, else by how
 * many of the fields that must hold one of few codes do, and by the size.
 */
export function contentsLikelihood(bytes: Uint8Array): number {
  const plan = PLANS[bytes[2] ?? -1]
  if (!plan) return 0
  if (bytes.length >= 128 && checksumHolds(bytes, plan)) return 1
  const fields = FIELDS[plan.generation] ?? []
  const there = fields.filter(([at]) => at < bytes.length)
  const right = there.filter(([at, shift, mask, values]) =>
    values.includes(((bytes[at] as number) >> shift) & mask),
  )
  const share = there.length === 0 ? 0 : right.length / there.length
  const sized = [128, 256, 384, 512, 1024].includes(bytes.length) ? 0.1 : 0
  return share * 0.6 + sized
}
