import { randomUUID } from 'node:crypto'
import { answerOf, read } from '@tembrix/core/reading/inputs'
import { identify, type PlacedRead, placeRead, situationOf } from '@tembrix/core/shop/job'
import { Machine } from '@tembrix/core/things/model'
import {
  type JobFile,
  type Piece,
  piecesById,
  READING_LIMIT,
  type ReadingRecord,
} from '@tembrix/core/things/records'
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
  const { machine, ...answer } = answerOf(readInput(Input.parse(body)))
  return {
    ...answer,
    machine: machine && {
      slotCount: machine.slotCount ?? null,
      maximumGiB: machine.maximumGiB ?? null,
      ecc: machine.errorCorrection ?? null,
      slots: machine.slots,
    },
  }
}

type JobToPlaceIn = Pick<JobFile, 'found' | 'rulings' | 'machine' | 'readings'> & {
  pieces: Piece[]
  report: Pick<ReadingRecord, 'id' | 'name' | 'text'>
}

const decode = ({ text, base64 }: Pick<ReadingRecord, 'text' | 'base64'>) =>
  read(text ?? new Uint8Array(Buffer.from(base64 ?? '', 'base64')))

/** Modules that the report of a job's machine puts into its slots; the job's records are as the server has them. */
export function placedReport(body: unknown): PlacedRead {
  const { found, rulings, machine, readings, pieces, report } = body as JobToPlaceIn
  const now = situationOf(machine.machine, found, piecesById(pieces), {
    profile: false,
    manual: null,
  })
  const runsAt = now.evaluation.run?.dataRate ?? null
  const input = { jobId: '', by: '', base64: null, seats: {}, ...report }
  const stamps = { version: 0, createdAt: '', updatedAt: '' }
  return placeRead(
    { machine, rulings, readings, runsAt, decode, ...now },
    [{ ...input, ...stamps }],
    randomUUID,
  )
}
