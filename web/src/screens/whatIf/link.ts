import { Machine, Module } from '@tembrix/core/things/model'
import { deflateSync, inflateSync, strFromU8, strToU8 } from 'fflate'
import { z } from 'zod'
import type { WhatIf } from '../../base/data'

const MOST = 40

/** What a link holds: modules by their place in the list, `[slot, module, unit]` for each filled slot. */
const Linked = z.object({
  machine: Machine,
  modules: z.array(Module).max(MOST),
  slots: z.array(z.tuple([z.string(), z.int().min(0), z.int().min(0).max(63)])).max(64),
  profile: z.boolean(),
})

/** The longest link that is opened, and the most it may unfold to, characters and bytes. */
const LONGEST = 20_000
const LARGEST = 200_000

/** The whole state as text that an address can hold: a check over the rest, then deflated JSON in base64url. */
export function linkTextOf({ machine, modules, slots, profile }: WhatIf): string {
  const at = new Map(modules.map(({ id }, place) => [id, place]))
  const linked: z.input<typeof Linked> = {
    machine,
    modules: modules.map(({ module }) => module),
    slots: Object.entries(slots).flatMap(([slot, { moduleId, unit }]) => {
      const place = at.get(moduleId)
      return place === undefined ? [] : [[slot, place, unit] as [string, number, number]]
    }),
    profile,
  }
  const bytes = deflateSync(strToU8(JSON.stringify(linked)), { level: 9 })
  const text = btoa(strFromU8(bytes, true)).replaceAll('+', '-').replaceAll('/', '_')
  const body = text.replaceAll('=', '')
  return checkOf(body) + body
}

const CHECK_LENGTH = 6

/** Six characters that tell a link that was changed (FNV-1a, 32 bits). */
function checkOf(text: string): string {
  let hash = 0x811c9dc5
  for (let at = 0; at < text.length; at += 1) {
    hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193)
  }
  return (hash >>> 0).toString(36).padStart(7, '0').slice(-CHECK_LENGTH)
}

/** What a link holds; null where it is none, or was cut on its way. */
export function whatIfFrom(text: string): WhatIf | null {
  const body = text.slice(CHECK_LENGTH)
  if (text.length > LONGEST || text.slice(0, CHECK_LENGTH) !== checkOf(body)) return null
  try {
    const bytes = strToU8(atob(body.replaceAll('-', '+').replaceAll('_', '/')), true)
    const json = strFromU8(inflateSync(bytes, { out: new Uint8Array(LARGEST) }))
    const { machine, modules, slots, profile } = Linked.parse(JSON.parse(json))
    const known = modules.map((module) => ({ id: crypto.randomUUID() as string, module }))
    const ids = new Set(machine.slots.map(({ id }) => id))
    return {
      machine,
      modules: known,
      slots: Object.fromEntries(
        slots.flatMap(([slot, place, unit]) => {
          const moduleId = known[place]?.id
          return moduleId && ids.has(slot) ? [[slot, { moduleId, unit }]] : []
        }),
      ),
      profile,
    }
  } catch {
    return null
  }
}
