import { z } from 'zod'
import { Count, DataRate, Lettering, LimitGiB, Name, Volts } from './figures'
import { Generation } from './generation'
import { Buffering, FormFactor, Module } from './module'

export const MACHINE_KINDS = [
  'desktop',
  'laptop',
  'all-in-one',
  'small-form-factor',
  'workstation',
] as const
export const MachineKind = z.enum(MACHINE_KINDS)
export type MachineKind = z.infer<typeof MachineKind>

const Share = z.number().min(0).max(100)

/** Where a slot is drawn, in per cent of the board's width and height. */
export const Place = z.object({ left: Share, top: Share, width: Share, height: Share })
export type Place = z.infer<typeof Place>

/**
 * `order` is the maker's filling order (1 first), null where unknown; `color` is what the board shows;
 * `place` where it sits on the drawing, left out where the drawing places it by itself. A slot whose
 * module fills several channels names them in `channels`; `channel` is then the first of them.
 */
const PlainSlot = z.object({
  id: Lettering,
  channel: Lettering,
  channels: z.array(Lettering).min(2).max(8).optional(),
  position: Count,
  order: Count.nullable().default(null),
  mustFill: z.boolean().default(false),
  color: z.string().trim().max(24).nullable().default(null),
  place: Place.optional(),
})
export const Slot = z.preprocess(withFirstChannel, PlainSlot)
export type Slot = z.infer<typeof Slot>

function withFirstChannel(slot: unknown): unknown {
  if (typeof slot !== 'object' || slot === null || !('channels' in slot)) return slot
  const { channels } = slot
  return Array.isArray(channels) ? { ...slot, channel: channels[0] } : slot
}

/** The channels a slot's module sits on. */
export const slotChannels = ({ channel, channels }: Pick<Slot, 'channel' | 'channels'>): string[] =>
  channels ?? [channel]

export const SolderedBank = z.object({ channel: Lettering, module: Module })
export type SolderedBank = z.infer<typeof SolderedBank>

/** What the controller is rated for with this many modules a channel of this many ranks each. */
export const RatingRow = z.object({ modulesPerChannel: Count, ranks: Count, dataRate: DataRate })
export type RatingRow = z.infer<typeof RatingRow>

export const Limits = z.object({
  totalGiB: LimitGiB,
  slotGiB: LimitGiB,
  dieGbit: z.number().positive().max(1024).nullable().default(null),
  osGiB: LimitGiB.nullable().default(null),
  firmwareDataRate: DataRate.nullable().default(null),
  dataRates: z.array(RatingRow).min(1).max(64),
})
export type Limits = z.infer<typeof Limits>

/** What holds a module in its slot. */
export const FASTENINGS = ['latches', 'latch-one-end', 'side-clips', 'screws'] as const
export const Fastening = z.enum(FASTENINGS)
export type Fastening = z.infer<typeof Fastening>

/**
 * How the clocks of a platform hang together: the fabric runs at the memory clock; the fabric has a
 * clock of its own while controller and memory are equal; or the controller always runs at half the
 * memory clock.
 */
export const CLOCKINGS = ['fabric-with-memory', 'fabric-apart', 'controller-half'] as const
export const PlatformClocks = z.enum(CLOCKINGS)
export type PlatformClocks = z.infer<typeof PlatformClocks>

/** How a battery is cut off: its plug under the cover, a pack that is taken out, in the setup; or there is none. */
export const BATTERIES = ['plug', 'pack', 'setup', 'none'] as const
export const Battery = z.enum(BATTERIES)
export type Battery = z.infer<typeof Battery>

/** Beside covers, what may stand over the slots: an expansion card, the processor's cooler. */
export const IN_THE_WAY = ['card', 'cooler'] as const
export const InTheWay = z.enum(IN_THE_WAY)
export type InTheWay = z.infer<typeof InTheWay>

/**
 * Where memory tests run from: the shop's own medium, the setup's own test, a drive of the shop's in place of the
 * customer's, or the customer's system, once they agreed to it.
 */
export const TEST_SOURCES = ['medium', 'setup', 'drive', 'system'] as const
export const TestFrom = z.enum(TEST_SOURCES)
export type TestFrom = z.infer<typeof TestFrom>

/** How a controller interleaves channels of unequal size: as far as they are equal; not at all; or nobody knows. */
export const INTERLEAVES = ['flex', 'matched', 'unknown'] as const
export const ECC_POLICIES = ['required', 'supported', 'ignored', 'refused'] as const

export const DISK_SLOTS = ['free', 'used', 'none'] as const
export const DUST = ['little', 'much'] as const

/** Findings under the cover other than memory; null where nobody looked. */
export const Inside = z.object({
  diskSlot: z.enum(DISK_SLOTS).nullable().default(null),
  /** Its size and kind, as `M.2 2280` or `2.5 inch`. */
  diskSize: z.string().trim().max(60).default(''),
  radioCard: z.string().trim().max(120).default(''),
  dust: z.enum(DUST).nullable().default(null),
})
export type Inside = z.infer<typeof Inside>

/** A processor that a board takes, with its controller's ratings, ECC and clocks. */
export const ProcessorRow = z.object({
  name: Name,
  dataRates: z.array(RatingRow).min(1).max(64),
  ecc: z.enum(ECC_POLICIES),
  syncCeiling: DataRate.nullable(),
  clocks: PlatformClocks.optional(),
})
export type ProcessorRow = z.infer<typeof ProcessorRow>

export const SYSTEM_BITS = [32, 64] as const
export const SystemBits = z.union([z.literal(32), z.literal(64)])
export type SystemBits = z.infer<typeof SystemBits>

const MachineShape = z.object({
  name: Name,
  kind: MachineKind,
  generation: Generation,
  formFactor: FormFactor,
  channels: z.array(Lettering).min(1).max(16),
  slots: z.array(Slot).max(64),
  soldered: z.array(SolderedBank).max(16).default([]),
  limits: Limits,
  profiles: z.boolean(),
  interleave: z.enum(INTERLEAVES),
  voltages: z.array(Volts).min(1).max(8),
  buffering: z.array(Buffering).min(1).max(4),
  ecc: z.enum(ECC_POLICIES),
  syncCeiling: DataRate.nullable().default(null),
  desyncPenalty: z.number().min(0).max(10).default(0.15),
  /** Whether it refuses unbuffered modules of four bits a chip; left out where nobody knows. */
  refusesX4: z.boolean().optional(),
  /** Height there is for a module beneath the cooler, mm; left out where nobody knows or nothing is above. */
  clearanceMm: z.number().min(10).max(200).optional(),
  /** Width of the system on it, bits; left out where nobody knows. */
  systemBits: SystemBits.optional(),
  /** Known to freeze or crash with mixed modules more often than others. */
  touchy: z.boolean().optional(),
  /** What holds its modules; left out, it follows from the form factor. */
  fastening: Fastening.optional(),
  /** Left out where it is not known. */
  clocks: PlatformClocks.optional(),
  /** The processor in it: the controller's figures hang on it. Left out where nobody knows. */
  processor: Name.optional(),
  /** Known processors for this board. */
  processors: z.array(ProcessorRow).max(20).optional(),
  /** Findings under the cover other than memory. */
  inside: Inside.optional(),
  /** Name of the memory profile in this machine's own setup. */
  profileName: Name.optional(),
})

/** A machine's memory side: channels, slots, what is soldered, and every limit that decides. */
export const Machine = MachineShape.superRefine((machine, context) => {
  const complain = (path: (string | number)[], message: string) =>
    context.addIssue({ code: 'custom', path, message })

  repeated(machine.channels).forEach((at) => {
    complain(['channels', at], `Channel ${machine.channels[at]} is listed twice.`)
  })
  const ids = machine.slots.map((slot) => slot.id)
  repeated(ids).forEach((at) => {
    complain(['slots', at, 'id'], `Slot ${ids[at]} is listed twice.`)
  })
  for (const list of ['slots', 'soldered'] as const) {
    machine[list].forEach((one, at) => {
      for (const channel of slotChannels(one)) {
        if (machine.channels.includes(channel)) continue
        complain([list, at, 'channel'], `The machine has no channel ${channel}.`)
      }
    })
  }
})
export type Machine = z.infer<typeof Machine>

/** Whether a module runs on none of the voltages that are recorded of a machine of its generation. */
export const isOnOtherVolts = (
  { generation, voltages }: Pick<Machine, 'generation' | 'voltages'>,
  module: Pick<Module, 'generation' | 'voltages'>,
): boolean => module.generation === generation && !module.voltages.some((v) => voltages.includes(v))

/** A 32-bit system addresses this much, GiB, and devices take some of it. */
const IN_32_BITS = 4

/** The most that the system on it uses, GiB: its edition's limit, else what 32 bits address; null for no limit known. */
export const systemLimitGiB = ({
  limits,
  systemBits,
}: Pick<Machine, 'limits' | 'systemBits'>): number | null =>
  limits.osGiB ?? (systemBits === 32 ? IN_32_BITS : null)

/** What holds this machine's modules, as recorded or as its form factor has it; DIMM slots have one latch or two. */
export function fasteningOf({
  formFactor,
  fastening,
}: Pick<Machine, 'formFactor' | 'fastening'>): Fastening {
  if (formFactor === 'CAMM2') return 'screws'
  if (formFactor === 'SODIMM') return 'side-clips'
  return fastening ?? 'latches'
}

function repeated(names: string[]): number[] {
  return names.flatMap((name, at) => (names.indexOf(name) < at ? [at] : []))
}
