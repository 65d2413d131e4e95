import { z } from 'zod'
import {
  Clocks,
  Count,
  DataRate,
  isModuleCapacity,
  isSolderedCapacity,
  Name,
  Nanoseconds,
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

/**
 * The times behind a module's standard speed, in ns as its contents hold them, and the CAS latencies
 * it supports, rising.
 */
export const ModuleTimes = z.object({
  taa: Nanoseconds,
  trcd: Nanoseconds,
  trp: Nanoseconds,
  tras: Nanoseconds,
  cls: z.array(Clocks).max(80),
})
export type ModuleTimes = z.infer<typeof ModuleTimes>

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

/** Figures that sellers leave out, and that are then assumed as usual. */
export const ASSUMABLE = ['ranks', 'deviceWidth'] as const

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
    /** Where they are known, timings below the rated speed follow from them. */
    times: ModuleTimes.optional(),
    /** Figures that nobody said and that are as usual for its size. */
    assumed: z.array(z.enum(ASSUMABLE)).max(ASSUMABLE.length).optional(),
    /** With its heat spreader, mm; left out where nobody measured. */
    heightMm: z.number().min(10).max(120).optional(),
    /** It keeps what it holds without power. */
    nonVolatile: z.boolean().optional(),
    kit: Kit.nullable().default(null),
  })
  .refine(hasMadeCapacity, {
    path: ['capacityGiB'],
    error: 'No memory of this capacity is made: 8, 16, 24, 32 and 48 GB are usual.',
    // Said also where other figures are wrong, so that all faults show at once.
    when: ({ value }) =>
      typeof (value as { capacityGiB?: unknown } | undefined)?.capacityGiB === 'number',
  })
export type Module = z.infer<typeof Module>

/** Density of one memory die in Gbit, from capacity, ranks and device width (64 data bits a rank). */
export function dieGbit(module: Pick<Module, 'capacityGiB' | 'ranks' | 'deviceWidth'>): number {
  const devices = (module.ranks * 64) / module.deviceWidth
  return (module.capacityGiB * 8) / devices
}

type SoldBy = Pick<Module, 'capacityGiB' | 'generation'> & {
  speeds: readonly Pick<Speed, 'kind' | 'dataRate'>[]
}

const topOf = <S extends Pick<Speed, 'kind' | 'dataRate'>>(
  speeds: readonly S[],
  kind: SpeedKind,
): S | undefined =>
  speeds
    .filter((speed) => speed.kind === kind)
    .reduce<S | undefined>(
      (top, one) => (top && top.dataRate >= one.dataRate ? top : one),
      undefined,
    )

/** The speed a module is sold by: its fastest memory profile, else its highest standard one. */
export function soldSpeedOf<S extends Pick<Speed, 'kind' | 'dataRate'>>({
  speeds,
}: {
  speeds: readonly S[]
}): S | undefined {
  return topOf(speeds, 'profile') ?? topOf(speeds, 'standard')
}

/**
 * What a module is sold as: `DDR4-3600 CL18 kit, 2 × 16 GB (2666 without its profile)`,
 * `16 GB DDR4-3200`. A CL is named where it belongs to a profile.
 */
export function soldAs({ capacityGiB, generation, speeds, kit }: Module): string {
  const profile = topOf(speeds, 'profile')
  const standard = topOf(speeds, 'standard')
  const speed = profile ?? standard
  const name = `${generation}-${speed?.dataRate}${profile ? ` CL${profile.cl}` : ''}`
  const size = capacityGiB < 1 ? `${capacityGiB * 1024} MB` : `${capacityGiB} GB`
  const whole = kit && kit.size > 1 ? `${name} kit, ${kit.size} × ${size}` : `${size} ${name}`
  return profile && standard ? `${whole} (${standard.dataRate} without its profile)` : whole
}

/** What a module without an article is called, after what it is. */
export function plainName(module: SoldBy & { ranks: number; deviceWidth: number }): string {
  const { capacityGiB, generation, ranks, deviceWidth } = module
  const rate = soldSpeedOf(module)?.dataRate
  return `${capacityGiB} GB ${generation}-${rate} ${ranks}R×${deviceWidth}`
}

/** Whether its command lines pass through a register, so that it fits slots for such modules only. */
export const isRegistered = (buffering: Module['buffering']): boolean =>
  buffering === 'registered' || buffering === 'load-reduced'
