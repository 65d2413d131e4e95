import { z } from 'zod'

/** Heads of the screws in such machines, by their drive. */
export const SCREW_HEADS = ['cross', 'slotted', 'six-point', 'five-point', 'hexagon'] as const
export const ScrewHead = z.enum(SCREW_HEADS)
export type ScrewHead = z.infer<typeof ScrewHead>

/** A screw of a machine's cover: where it sits on the picture (0 to 1 from the upper left), in the order it came out. */
export const ScrewPin = z.object({
  id: z.string().min(1).max(60),
  x: z.number().min(0).max(1),
  y: z.number().min(0).max(1),
  lengthMm: z.number('A length in mm.').min(1, 'From 1 mm.').max(60, 'Up to 60 mm.'),
  head: ScrewHead,
  /** It stays in the cover. */
  captive: z.boolean(),
  under: z.enum(['nothing', 'cap', 'foot']),
  /** Damaged: it was not put back. */
  leftOut: z.boolean(),
})
export type ScrewPin = z.infer<typeof ScrewPin>

/** The screws of a model's cover, and the photo they are marked on; null for the blank outline. */
export const ScrewMap = z.object({
  pins: z.array(ScrewPin).max(120),
  photoId: z.uuid().nullable(),
})
export type ScrewMap = z.infer<typeof ScrewMap>
