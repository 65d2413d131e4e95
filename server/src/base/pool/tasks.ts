import type { CauseTable } from '@tembrix/core/bench/diagnose'
import type { ShopResult } from '@tembrix/core/judging/forecast'
import { HttpError, malformedText, storable } from '../errors'

type Work<Answer> = (bytes: Uint8Array, known: unknown) => Promise<Answer>

/** Work on a JSON body whose answer is JSON. */
const onJson =
  <Known>(work: (body: unknown, known: Known) => Promise<unknown>): Work<Uint8Array> =>
  async (bytes, known) => {
    const answer = await work(bodyOf(bytes), known as Known)
    return Buffer.from(JSON.stringify(answer))
  }

function bodyOf(bytes: Uint8Array): unknown {
  if (bytes.length === 0) return undefined
  let body: unknown
  try {
    body = JSON.parse(Buffer.from(bytes).toString('utf8'))
  } catch {
    throw new HttpError(400, 'malformed_json', 'The request is not well-formed JSON.')
  }
  if (storable(body)) return body
  throw malformedText()
}

/** Everything that threads of the pool do; each loads what it needs when it is first asked for. */
export const POOL_TASKS = {
  plan: onJson(async (body) => {
    const { PlanRequest, plan } = await import('@tembrix/core/judging/plan')
    return plan(PlanRequest.parse(body))
  }),
  diagnose: onJson(async (body, causes: CauseTable | null) => {
    const { DiagnoseShape, diagnose } = await import('@tembrix/core/bench/diagnose')
    const { trials, ...asked } = DiagnoseShape.parse(body)
    const made = trials.map(({ trial, ...answer }) => ({ ...trial, ...answer }))
    return diagnose({ ...asked, trials: made, causes: asked.causes ?? causes })
  }),
  read: onJson(async (body) => (await import('./readings')).readOne(body)),
  identify: onJson(async (body) => (await import('./readings')).identified(body)),
  size: onJson(async (body, results: readonly ShopResult[]) => {
    const { SizeShape, size } = await import('@tembrix/core/judging/advice')
    return size(SizeShape.parse(body), results)
  }),
  forecast: onJson(async (body, results: readonly ShopResult[]) => {
    const { ForecastShape, forecast } = await import('@tembrix/core/judging/forecast')
    const asked = ForecastShape.parse(body)
    return forecast({ ...asked, results: asked.results ?? results })
  }),
  compare: onJson(async (body) => {
    const { CompareShape, compare } = await import('@tembrix/core/bench/measure')
    return compare(CompareShape.parse(body))
  }),
  price: onJson(async (body) => {
    const { PriceShape, priced } = await import('@tembrix/core/shop/money')
    return priced(PriceShape.parse(body))
  }),
  evaluate: onJson(async (body) => {
    const { EvaluationRequest } = await import('@tembrix/core/things/model')
    const { evaluate } = await import('@tembrix/core/judging/evaluate')
    return evaluate(EvaluationRequest.parse(body))
  }),
  /** Whether a text says something of a machine's memory; the text as it is. */
  report: async (bytes: Uint8Array) => {
    const { read } = await import('@tembrix/core/reading/inputs')
    const text = Buffer.from(bytes).toString('utf8')
    return storable(text) && read(text).format !== 'unknown' ? text : null
  },
  /** The modules that a report puts into the slots of a job, whose records come along. */
  place: async (bytes) => (await import('./readings')).placedReport(bodyOf(bytes)),
  /** What is in a backup, which is unpacked into a place. */
  backup: async (_bytes, known) => {
    const { file, place } = known as { file: string; place: string }
    return (await import('../backups')).lookFor(file, place)
  },
  picture: async (bytes) => (await import('./pictures')).encode(bytes),
} as const satisfies Record<string, Work<unknown>>
