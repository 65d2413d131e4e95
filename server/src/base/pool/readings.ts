import { read } from '@tembrix/core/reading/inputs'
import { identify } from '@tembrix/core/shop/job'
import { Machine } from '@tembrix/core/things/model'
import { READING_LIMIT } from '@tembrix/core/things/records'
import { z } from 'zod'

const Input = z.union([
  z.object({ text: z.string().max(READING_LIMIT) }).strict(),
  z.object({ base64: z.base64().max(READING_LIMIT) }).strict(),
])

type Input = z.infer<typeof Input>

const readInput = (input: Input) =>
  read('text' in input ? input.text : new Uint8Array(Buffer.from(input.base64, 'base64')))

const Identification = z.object({ machine: Machine, readings: z.array(Input).max(64) }).strict()

export function identified(body: unknown) {
  const { machine, readings } = Identification.parse(body)
  return identify(machine, readings.map(readInput))
}

export function readOne(body: unknown) {
  const { format, modules, machine, system, problems, parts } = readInput(Input.parse(body))
  return {
    format,
    modules: modules.map(({ slot, module, observed, observedVolts, verified }) => ({
      slot,
      module,
      observed,
      observedVolts,
      verified,
    })),
    machine: machine && {
      slotCount: machine.slotCount ?? null,
      maximumGiB: machine.maximumGiB ?? null,
      ecc: machine.errorCorrection ?? null,
      slots: machine.slots,
    },
    system,
    problems,
    parts,
  }
}
