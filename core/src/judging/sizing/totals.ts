import {
  type Generation,
  isRegistered,
  known,
  type Machine,
  slotChannels,
} from '../../things/model'

const SIZES: Partial<Record<Generation, { plain: number[]; buffered: number[] }>> = {
  DDR: { plain: [0.25, 0.5, 1], buffered: [2] },
  DDR2: { plain: [0.5, 1, 2, 4], buffered: [8] },
  DDR3: { plain: [1, 2, 4, 8], buffered: [16, 32] },
  DDR4: { plain: [4, 8, 16, 32], buffered: [64, 128] },
  DDR5: { plain: [8, 12, 16, 24, 32, 48, 64], buffered: [96, 128, 256] },
}

/** Compression-attached modules: one holds what two others would. */
const COMPRESSION_ATTACHED: Partial<Record<Generation, number[]>> = {
  DDR5: [16, 24, 32, 48, 64, 96, 128],
  LPDDR5: [16, 24, 32, 48, 64, 96, 128],
  LPDDR5X: [16, 24, 32, 48, 64, 96, 128],
}

/** Sizes modules of a generation are sold in, GiB. */
export const MODULE_SIZES = known(
  { sticks: SIZES, compressionAttached: COMPRESSION_ATTACHED },
  'What is sold, as dies allow; the large sticks only registered or load-reduced. Larger ones come every few years.',
  '2026-12',
)

export interface Total {
  gib: number
  /** Whether it can be had with equal amounts on all channels. */
  even: boolean
}

/** The sizes of module that may go into a slot of this machine, GiB, rising. */
export function slotSizes({ generation, formFactor, buffering, limits }: Machine): number[] {
  const { sticks, compressionAttached } = MODULE_SIZES.value
  const { plain = [], buffered = [] } = sticks[generation] ?? {}
  const all =
    formFactor === 'CAMM2'
      ? (compressionAttached[generation] ?? [])
      : buffering.some(isRegistered)
        ? [...plain, ...buffered]
        : plain
  return all.filter((size) => size <= limits.slotGiB)
}

/** Every total this machine can be built to with modules that are sold, rising. */
export function buildableTotals(machine: Machine): Total[] {
  const sizes = slotSizes(machine)
  const perChannel = machine.channels.map((channel) => {
    const soldered = machine.soldered
      .filter((bank) => bank.channel === channel)
      .reduce((sum, { module }) => sum + module.capacityGiB, 0)
    const slots = machine.slots.filter((slot) => slotChannels(slot).includes(channel))
    // A module over several channels has an equal part on each.
    const shares = slots.map((slot) => sizes.map((size) => size / slotChannels(slot).length))
    return sums(soldered, shares)
  })
  const most = machine.limits.totalGiB
  const totals = perChannel.reduce<Set<number>>(
    (all, channel) => {
      const next = new Set<number>()
      for (const a of all) for (const b of channel) if (a + b <= most) next.add(a + b)
      return next
    },
    new Set([0]),
  )
  const fillable = perChannel.filter((channel) => Math.max(...channel) > 0)
  const shared = [...(fillable[0] ?? [])].filter(
    (gib) => gib > 0 && fillable.every((channel) => channel.has(gib)),
  )
  const even = new Set(shared.map((gib) => gib * fillable.length))
  return [...totals]
    .filter((gib) => gib > 0)
    .sort((a, b) => a - b)
    .map((gib) => ({ gib, even: even.has(gib) }))
}

function sums(soldered: number, slots: readonly (readonly number[])[]): Set<number> {
  let reached = new Set([soldered])
  for (const sizes of slots) {
    const next = new Set(reached)
    for (const gib of reached) for (const size of sizes) next.add(gib + size)
    reached = next
  }
  return reached
}
