import { z } from 'zod'
import { Source } from '../model'

/** The parts of a machine's record that a source is kept for. */
export const SOURCED = [
  'generation',
  'formFactor',
  'slots',
  'soldered',
  'order',
  'totalGiB',
  'slotGiB',
  'dieGbit',
  'osGiB',
  'systemBits',
  'processor',
  'dataRates',
  'firmwareDataRate',
  'interleave',
  'profiles',
  'syncCeiling',
  'clocks',
  'fastening',
  'ecc',
  'voltages',
  'refusesX4',
] as const
export const Sourced = z.enum(SOURCED)
export type Sourced = z.infer<typeof Sourced>

const By = z.string().trim().max(80)

/** Where a figure of a record comes from, who said so and when. */
export const Origin = z.object({
  source: Source,
  note: z.string().max(500).default(''),
  by: By.default(''),
  at: z.iso.datetime().nullable().default(null),
})
export type Origin = z.infer<typeof Origin>

/** What is not named came with the record's start and is no more than a guess. */
export const Sources = z.partialRecord(Sourced, Origin)
export type Sources = z.infer<typeof Sources>

/** A contradiction settled: the value to go by, how it is known, by whom and since when. */
export const Ruling = z.object({
  value: z.union([z.string().max(200), z.number(), z.boolean()]),
  source: Source,
  by: By,
  at: z.iso.datetime(),
})
export type Ruling = z.infer<typeof Ruling>

/** Rulings by what they are about, such as `machine.slotCount` or `slot.A1.capacityGiB`. */
export const Rulings = z.record(z.string().max(120), Ruling)
export type Rulings = z.infer<typeof Rulings>
