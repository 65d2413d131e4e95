import { z } from 'zod'

/** Capacities sold as modules: powers of two from 1/16 GiB to 1 TiB, and one and a half times them from 12 GiB. */
export function isModuleCapacity(gib: number): boolean {
  return isPowerOfTwo(gib, 1 / 16, 1024) || isPowerOfTwo(gib / 1.5, 8, 512)
}

/** Soldered banks also come as 1.5, 3 and 6 GiB. */
export function isSolderedCapacity(gib: number): boolean {
  return isModuleCapacity(gib) || isPowerOfTwo(gib / 1.5, 1, 4)
}

function isPowerOfTwo(value: number, least: number, most: number): boolean {
  return value >= least && value <= most && Number.isInteger(Math.log2(value))
}

/** A data rate as printed, MT/s. */
export const DataRate = z.int().positive().max(20_000)

/** A timing in clocks. */
export const Clocks = z.int().positive().max(500)

export const Volts = z.number().positive().max(5)

/** An amount of memory a machine or system can take, GiB; not necessarily a size that is sold. */
export const LimitGiB = z.number().positive().max(65_536)

/** A time in ns. */
export const Nanoseconds = z.number().positive().max(1000)

export const Count = z.int().positive().max(64)

/** A name people read: an article, a machine, a kit. */
export const Name = z.string().trim().min(1).max(120)

/** What is printed beside a slot or names a channel. */
export const Lettering = z.string().trim().min(1).max(24)
