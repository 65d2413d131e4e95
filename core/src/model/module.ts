import { z } from 'zod'
import {
  Clocks,
  Count,
  DataRate,
  isModuleCapacity,
  isSolderedCapacity,
  Name,
  Volts,
} from './figures'
import { Generation } from './generation'

export const FORM_FACTORS = ['DIMM', 'SODIMM', 'CAMM2', 'soldered'] as const
export const FormFactor = z.enum(FORM_FACTORS)
export type FormFactor = z.infer<typeof FormFactor>

export const BUFFERINGS = ['unbuffered', 'registered', 'load-reduced', 'clocked'] as const
export const Buffering = z.enum(BUFFERINGS)
export type Buffering = z.infer<typeof Buffering>

export const SPEED_KINDS = ['standard', 'profile'] as const
export const SpeedKind = z.enum(SPEED_KINDS)
export type SpeedKind = z.infer<typeof SpeedKind>

/** One rate a module promises, with its timings in clocks. */
export const Speed = z.object({
  kind: SpeedKind,
  dataRate: DataRate,
  cl: Clocks,
  trcd: Clocks,
  trp: Clocks,
  tras: Clocks,
  voltage: Volts.optional(),
})
export type Speed = z.infer<typeof Speed>

/** Modules packaged and tested together; `size` is how many. */
export const Kit = z.object({ id: Name, size: Count })
export type Kit = z.infer<typeof Kit>

function hasMadeCapacity({
  formFactor,
  capacityGiB,
}: {
  formFactor: FormFactor
  capacityGiB: number
}) {
  return formFactor === 'soldered' ? isSolderedCapacity(capacityGiB) : isModuleCapacity(capacityGiB)
}

/** One stick, or one soldered bank. */
export const Module = z
  .object({
    article: Name,
    generation: Generation,
    formFactor: FormFactor,
    buffering: Buffering,
    ecc: z.boolean(),
    capacityGiB: z.number(),
    ranks: z.int().positive().max(16),
    deviceWidth: z.literal([4, 8, 16, 32, 64]),
    voltages: z.array(Volts).min(1).max(8),
    speeds: z
      .array(Speed)
      .min(1)
      .max(32)
      .refine((speeds) => speeds.some((speed) => speed.kind === 'standard'), {
        error: 'A module needs at least one standard speed.',
      }),
    kit: Kit.nullable().default(null),
  })
  .refine(hasMadeCapacity, {
    path: ['capacityGiB'],
    error: 'No memory of this capacity is made: 8, 16, 24, 32 and 48 GiB are usual.',
    // Said also where other figures are wrong, so that all faults show at once.
    when: ({ value }) => typeof (value as { capacityGiB?: unknown }).capacityGiB === 'number',
  })
export type Module = z.infer<typeof Module>

/** Density of one memory die in Gbit, from capacity, ranks and device width (64 data bits a rank). */
export function dieGbit(module: Pick<Module, 'capacityGiB' | 'ranks' | 'deviceWidth'>): number {
  const devices = (module.ranks * 64) / module.deviceWidth
  return (module.capacityGiB * 8) / devices
}

/** What a module without an article is called, after what it is. */
export function plainName(
  module: Pick<Module, 'capacityGiB' | 'generation' | 'ranks'> & {
    deviceWidth: number
    speeds: readonly Pick<Speed, 'dataRate'>[]
  },
): string {
  const { capacityGiB, generation, speeds, ranks, deviceWidth } = module
  return `${capacityGiB} GiB ${generation}-${speeds[0]?.dataRate} ${ranks}R×${deviceWidth}`
}
