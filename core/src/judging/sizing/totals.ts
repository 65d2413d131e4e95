import {
  type Generation,
  isRegistered,
  known,
  type Machine,
  type Slot,
  slotChannels,
} from '../../things/model'

const SIZES: Partial<Record<Generation, { plain: number[]; buffered: number[] }>> = {
  DDR: { plain: [0.25, 0.5, 1], buffered: [2] },
  DDR2: { plain: [0.5, 1, 2, 4], buffered: [8] },
  DDR3: { plain: [1, 2, 4, 8], buffered: [16, 32] },
  DDR4: { plain: [4, 8, 16, 32], buffered: [64, 128] },
  DDR5: { plain: [8, 12, 16, 24, 32, 48, 64], buffered: [96, 128, 256] },
}

/** CAMM2 modules, LPCAMM2 too: one fills every channel of its slot. */
const CAMM2_SIZES: Partial<Record<Generation, number[]>> = {
  DDR5: [16, 24, 32, 48, 64, 96, 128],
  LPDDR5: [16, 24, 32, 48, 64, 96, 128],
  LPDDR5X: [16, 24, 32, 48, 64, 96, 128],
}

/** Sizes modules of a generation are sold in, GiB. */
export const MODULE_SIZES = known(
  { sticks: SIZES, camm2: CAMM2_SIZES },
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
  const { sticks, camm2 } = MODULE_SIZES.value
  const { plain = [], buffered = [] } = sticks[generation] ?? {}
  const all =
    formFactor === 'CAMM2'
      ? (camm2[generation] ?? [])
      : buffering.some(isRegistered)
        ? [...plain, ...buffered]
        : plain
  return all.filter((size) => size <= limits.slotGiB)
}

/** Every total this machine can be built to with modules that are sold, rising. */
export function buildableTotals(machine: Machine): Total[] {
  const { channels, slots, soldered, limits } = machine
  const sizes = slotSizes(machine)
  const plain = channels.map((channel) => {
    const fixed = soldered
      .filter((bank) => bank.channel === channel)
      .reduce((sum, { module }) => sum + module.capacityGiB, 0)
    const own = slots.filter((slot) => isOver(slot, channel) && slotChannels(slot).length === 1)
    return sums(fixed, own.length, sizes)
  })
  const fillable = channels.map(
    (channel, at) =>
      Math.max(...(plain[at] ?? [])) > 0 || slots.some((slot) => isOver(slot, channel)),
  )
  const [totals, even] = [new Set<number>(), new Set<number>()]
  for (const parts of sharedParts(machine, sizes)) {
    const perChannel = plain.map(
      (gibs, at) => new Set([...gibs].map((gib) => gib + (parts[at] ?? 0))),
    )
    for (const gib of totalsOver(perChannel, limits.totalGiB)) totals.add(gib)
    const filled = perChannel.filter((_, at) => fillable[at])
    for (const gib of filled[0] ?? []) {
      if (gib > 0 && filled.every((channel) => channel.has(gib))) even.add(gib * filled.length)
    }
  }
  return [...totals]
    .filter((gib) => gib > 0)
    .sort((a, b) => a - b)
    .map((gib) => ({ gib, even: even.has(gib) }))
}

const isOver = (slot: Slot, channel: string): boolean => slotChannels(slot).includes(channel)

/** Each way to fill the slots over several channels, as the part on each channel, GiB: a module's is equal on all of its. */
function sharedParts({ channels, slots }: Machine, sizes: readonly number[]): number[][] {
  return slots
    .filter((slot) => slotChannels(slot).length > 1)
    .reduce<number[][]>(
      (ways, slot) =>
        ways.flatMap((parts) =>
          [0, ...sizes].map((size) =>
            channels.map(
              (channel, at) =>
                (parts[at] ?? 0) + (isOver(slot, channel) ? size / slotChannels(slot).length : 0),
            ),
          ),
        ),
      [channels.map(() => 0)],
    )
}

/** Sums of one amount of each channel, up to a most. */
const totalsOver = (perChannel: readonly ReadonlySet<number>[], most: number): Set<number> =>
  perChannel.reduce<Set<number>>(
    (all, channel) => {
      const next = new Set<number>()
      for (const a of all) for (const b of channel) if (a + b <= most) next.add(a + b)
      return next
    },
    new Set([0]),
  )

function sums(soldered: number, slots: number, sizes: readonly number[]): Set<number> {
  let reached = new Set([soldered])
  for (let slot = 0; slot < slots; slot += 1) {
    const next = new Set(reached)
    for (const gib of reached) for (const size of sizes) next.add(gib + size)
    reached = next
  }
  return reached
}
