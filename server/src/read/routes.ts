import { read } from '@tembrix/core/readings'
import { READING_LIMIT } from '@tembrix/core/records'
import { Router } from 'express'
import { z } from 'zod'

const Input = z.union([
  z.object({ text: z.string().max(READING_LIMIT) }).strict(),
  z.object({ base64: z.base64().max(READING_LIMIT) }).strict(),
])

/** What a readout, a label or a module's contents say; nothing is stored. */
export function readRoutes(): Router {
  const routes = Router()
  routes.post('/', (request, response) => {
    const input = Input.parse(request.body)
    const { format, modules, machine, problems } = read(
      'text' in input ? input.text : new Uint8Array(Buffer.from(input.base64, 'base64')),
    )
    response.json({
      format,
      modules: modules.map(({ slot, module, observed, verified }) => ({
        slot,
        module,
        observed,
        verified,
      })),
      machine: machine && {
        slotCount: machine.slotCount ?? null,
        maximumGiB: machine.maximumGiB ?? null,
        ecc: machine.ecc ?? null,
        slots: machine.slots,
      },
      problems,
    })
  })
  return routes
}
