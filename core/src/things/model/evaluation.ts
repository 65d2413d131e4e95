import { z } from 'zod'
import { Machine } from './machine'
import { Placement } from './placement'
import { Settings } from './settings'

export const SEVERITIES = ['stop', 'risk', 'note'] as const
export const Severity = z.enum(SEVERITIES)
export type Severity = z.infer<typeof Severity>

/** Every code an evaluation can answer, under its severity. */
export const FINDING_CODES = {
  stop: [
    'WRONG_GENERATION',
    'WRONG_FORM_FACTOR',
    'WRONG_BUFFERING',
    'WRONG_VOLTAGE',
    'ECC_REFUSED',
    'ECC_REQUIRED',
    'SLOT_CAPACITY',
    'DIE_DENSITY',
    'X4_REFUSED',
    'VOLTAGES_APART',
    'BUFFERING_MIXED',
    'NO_MEMORY',
    'TOTAL_CAPACITY',
    'BOOT_SLOT_EMPTY',
  ],
  risk: [
    'SINGLE_CHANNEL',
    'CHANNELS_UNUSED',
    'UNEVEN_CHANNELS',
    'SLOT_ORDER',
    'OS_LIMIT',
    'ECC_MIXED',
    'WIDTHS_MIXED',
    'X4_UNBUFFERED',
    'CHANNEL_COUNT_ODD',
    'TOO_TALL',
    'ABOVE_RATING',
    'ABOVE_MODULES',
    'TIGHTER_THAN_RATED',
    'HALF_RATE_CLOCK',
    'MIXED_MODULES',
    'KITS_COMBINED',
    'KIT_CHANNELS',
  ],
  note: [
    'PROFILE_OFF',
    'PROFILE_BLOCKED',
    'MANUAL_BLOCKED',
    'SPEED_UNUSED',
    'ECC_INACTIVE',
    'HALF_BANK_GROUPS',
    'HEIGHT_OPEN',
    'MIXED_RANKS',
    'KIT_SPLIT',
    'KIT_SHARES_CHANNELS',
    'CLOCK_BYPASSED',
    'SLOT_ORDER_OPEN',
  ],
} as const

export const FindingCode = z.enum([
  ...FINDING_CODES.stop,
  ...FINDING_CODES.risk,
  ...FINDING_CODES.note,
])
export type FindingCode = z.infer<typeof FindingCode>

export const Finding = z.object({
  code: FindingCode,
  severity: Severity,
  slots: z.array(z.string()),
})
export type Finding = z.infer<typeof Finding>

/** A stretch of the address space spread over `ways` channels; `peakGBs` in 10^9 bytes a second. */
export const Zone = z.object({ ways: z.int(), gib: z.number(), peakGBs: z.number() })
export type Zone = z.infer<typeof Zone>

export const LIMITERS = ['modules', 'controller', 'firmware', 'setting'] as const
export type Limiter = (typeof LIMITERS)[number]

/** What the memory runs at: rates in MT/s, timings in clocks. */
export const Run = z.object({
  dataRate: z.number(),
  profile: z.boolean(),
  limitedBy: z.enum(LIMITERS),
  controllerRating: z.number(),
  cl: z.int(),
  trcd: z.int(),
  trp: z.int(),
  tras: z.int(),
  clocking: z.enum(['synchronous', 'half-rate']),
  firstWordNs: z.number(),
  wholePeakGBs: z.number(),
})
export type Run = z.infer<typeof Run>

const Evaluated = z.object({
  starts: z.boolean(),
  findings: z.array(Finding),
  capacity: z.object({ installedGiB: z.number(), usableGiB: z.number() }),
  zones: z.array(Zone),
  mode: z.string().nullable(),
  run: Run.nullable(),
})
export const Evaluation = Evaluated.extend({
  /** Where nobody knows how the controller interleaves: the same if it does so as far as channels are equal. */
  alternative: Evaluated.optional(),
})
export type Evaluation = z.infer<typeof Evaluation>

export const EvaluationRequest = z
  .object({
    machine: Machine,
    placement: Placement,
    settings: Settings.default({ profile: false }),
  })
  .superRefine(({ machine, placement }, context) => {
    const known = new Set(machine.slots.map((slot) => slot.id))
    for (const id of Object.keys(placement)) {
      if (!known.has(id)) {
        context.addIssue({
          code: 'custom',
          path: ['placement', id],
          message: `The machine has no slot ${id}.`,
        })
      }
    }
  })
export type EvaluationRequest = z.infer<typeof EvaluationRequest>
