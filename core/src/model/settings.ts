import { z } from 'zod'

/** `profile`: the user asks for the modules' memory profile. */
export const Settings = z.object({ profile: z.boolean().default(false) })
export type Settings = z.infer<typeof Settings>
