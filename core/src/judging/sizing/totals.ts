import { type Generation, isRegistered, known, type Machine } from '../../things/model'

const SIZES: Partial<Record<Generation, { plain: number[]; buffered: number[] }>> = {
  DDR: { plain: [0.25, 0.5, 1], buffered: [2] },
  DDR2: { plain: [0.5, 1, 2, 4], buffered: [8] },
  DDR3: { plain: [1, 2, 4, 8], buffered: [16, 32] },
  DDR4: { plain: [4, 8, 16, 32], buffered: [64, 128] },
  DDR5: { plain: [8, 16, 24, 32, 48, 64], buffered: [96, 128, 256] },
}

/** Sizes modules of a generation are sold in, GiB. */
export const MODULE_SIZES = known(
  SIZES,
  'What is sold; the large ones only registered or load-reduced. Larger ones come every few years.',
  '2026-11',
)

export interface Total {
  gib: number
  /** Whether it can be had with equal amounts on all channels. */
  even: boolean
}

/** The sizes of module that may go into a slot of this machine, GiB, rising. */
export function slotSizes({ generation, buffering, limits }: Machine): number[] {
  const { plain = [], buffered = [] } = MODULE_SIZES.value[generation] ?? {}
  const all = buffering.some(isRegistered) ? [...plain, ...buffered] : plain
  return all.filter((size) => size <= limits.slotGiB)
}

/** Every total this machine can be built to with modules that are sold, rising. */
export function buildableTotals(machine: Machine): Total[] {
  const sizes = slotSizes(machine)
  const perChannel = machine.channels.map((channel) => {
    const soldered = machine.soldered
      .filter((bank) => bank.channel === channel)
      .reduce((sum, { module }) => sum + module.capacityGiB, 0)
    const slots = machine.slots.filter((slot) => slot.channel === channel).length
    return sums(soldered, slots, sizes)
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

function sums(soldered: number, slots: number, sizes: readonly number[]): Set<number> {
  let reached = new Set([soldered])
  for (let slot = 0; slot < slots; slot += 1) {
    const next = new Set(reached)
    for (const gib of reached) for (const size of sizes) next.add(gib + size)
    reached = next
  }
  return reached
}
