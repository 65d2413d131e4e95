import { clocksToNs, type Generation, nsToClocks } from '../../things/model'
import { type ReadSpeed, soldSpeed, type Where } from '../facts'
import { byte, latencies, type ModuleContents, note, signed, word } from './shared'

/** The marker before a memory profile, whatever the generation. */
const MARKER = [0x0c, 0x4a]

/** A profile's tAA may miss the CAS latency it means by so many clocks. */
const CL_SLACK = 0.3

/** tRAS is kept in whole 125 ps, as much as half of which may be too long: so much of a clock. */
const COARSE = 0.13

/** A profile as its bytes have it: times in ns, voltage in V, the CAS latencies it names. */
interface Raw {
  volts: number
  tCK: number | null
  tAA: number | null
  tRCD: number | null
  tRP: number | null
  tRAS: number | null
  cls: readonly number[]
}

interface Layout {
  marker: number
  /** Where each profile begins and how long it is; only those that are there. */
  profiles: (bytes: Uint8Array) => { at: number; length: number }[]
  read: (bytes: Uint8Array, at: number) => Raw
}

const MEDIUM = 0.125
const FINE = 0.001

/** Of DDR4: two profiles, which of them are enabled in bits 0 and 1 of byte 386. */
const DDR4: Layout = {
  marker: 384,
  profiles: (bytes) =>
    [393, 440].flatMap((at, bit) => ((bytes[386] ?? 0) & (1 << bit) ? [{ at, length: 47 }] : [])),
  read: (bytes, at) => {
    const time = (medium: number, fine: number) => {
      const units = byte(bytes, at + medium)
      return units ? units * MEDIUM + (signed(bytes, at + fine) ?? 0) * FINE : null
    }
    const [upper, ras] = [byte(bytes, at + 11), byte(bytes, at + 12)]
    const volts = byte(bytes, at) ?? 0
    return {
      volts: (volts >> 7) + (volts & 0x7f) / 100,
      tCK: time(3, 38),
      tAA: time(8, 37),
      tRCD: time(9, 36),
      tRP: time(10, 35),
      tRAS: upper === null || ras === null ? null : ((upper & 15) * 256 + ras) * MEDIUM,
      cls: latencies(
        [4, 5, 6].map((place) => byte(bytes, at + place)),
        7,
      ),
    }
  },
}

/** Of DDR5: up to five profiles of 64 bytes; an empty one is not there. */
const DDR5: Layout = {
  marker: 640,
  profiles: (bytes) =>
    [704, 768, 832, 896, 960].flatMap((at) =>
      bytes.subarray(at, at + 64).some((one) => one !== 0 && one !== 0xff)
        ? [{ at, length: 64 }]
        : [],
    ),
  read: (bytes, at) => {
    const time = (place: number) => {
      const ps = word(bytes, at + place)
      return ps ? ps / 1000 : null
    }
    const volts = byte(bytes, at + 1) ?? 0
    return {
      volts: (volts >> 5) + (volts & 31) * 0.05,
      tCK: time(5),
      tAA: time(13),
      tRCD: time(15),
      tRP: time(17),
      tRAS: time(19),
      cls: latencies(
        [7, 8, 9, 10, 11].map((place) => byte(bytes, at + place)),
        20,
        2,
      ),
    }
  },
}

/** Only told to be there: how its profile is laid out is not known. */
const DDR3: Layout = {
  marker: 176,
  profiles: () => [],
  read: () => ({ volts: 0, tCK: null, tAA: null, tRCD: null, tRP: null, tRAS: null, cls: [] }),
}

const LAYOUTS: Partial<Record<Generation, Layout>> = { DDR3, DDR4, DDR5 }

/** V between which a profile's voltage is believed. */
const BELIEVED_VOLTS = { least: 1, most: 2 }

/**
 * Adds the memory profiles of a maker's extension to the standard speed. A profile counts only where
 * everything in it checks out; a marker without one that does is announced.
 */
export function noteProfiles(contents: ModuleContents): void {
  const { about, bytes, problems } = contents
  const { generation } = about.said
  const layout = generation && LAYOUTS[generation]
  if (!layout || !MARKER.every((one, n) => bytes[layout.marker + n] === one)) return
  const profiles = layout.profiles(bytes)
  const read = profiles.flatMap(({ at, length }) => {
    const speed = speedOf(layout.read(bytes, at), generation)
    return speed ? [{ speed, where: { byte: at, length } }] : []
  })
  const where: Where = { byte: layout.marker, length: 2 }
  if (read.length === 0 || read.length < profiles.length) {
    problems.push({ code: 'PROFILE_UNREADABLE', where })
  }
  const [first] = read
  if (!first) return
  problems.push({ code: 'PROFILE_FROM_EXTENSION', where: first.where })
  const standard = about.said.speeds ?? []
  const place = about.observations.find(({ what }) => what === 'speeds')?.where
  note(
    contents,
    'speeds',
    [...standard, ...read.map(({ speed }) => speed)],
    place && 'byte' in place ? place.byte : layout.marker,
  )
}

/** The profile's speed, or null where any of it is not to be believed. */
function speedOf({ volts, tCK, tAA, tRCD, tRP, tRAS, cls }: Raw, generation: Generation) {
  if (!tCK || !tAA || !tRCD || !tRP || !tRAS) return null
  if (volts < BELIEVED_VOLTS.least || volts > BELIEVED_VOLTS.most) return null
  const dataRate = soldSpeed(generation, 2000 / tCK)
  if (dataRate === undefined) return null
  const needed = tAA / tCK
  const cl = cls.find((one) => Math.abs(one - needed) <= CL_SLACK)
  if (cl === undefined) return null
  const clocks = (ns: number) => nsToClocks(ns, dataRate, generation)
  const [trcd, trp] = [clocks(tRCD), clocks(tRP)]
  const tras = Math.ceil(tRAS / tCK - COARSE)
  const plausible =
    [trcd, trp].every((one) => one >= cl * 0.6 && one <= cl * 2) &&
    tras >= trcd &&
    tras <= clocks(clocksToNs(cl, dataRate) * 6)
  if (!plausible) return null
  const voltage = Math.round(volts * 100) / 100
  return { kind: 'profile', dataRate, cl, trcd, trp, tras, voltage } satisfies ReadSpeed
}
