import type { Ended, Quote, QuoteDocument, QuotePatch } from '../../things/records'

type Version = Pick<Quote, 'number' | 'document' | 'approval' | 'ended'>

/** A version as far as what has become of it goes. */
interface Standing {
  number: number
  document: Pick<QuoteDocument, 'validUntil'> | null
  approval: object | null
  ended: Pick<Ended, 'as'> | null
}

/** `expired`: offered, not approved in time. `replaced`: a later version stands in its place. */
export type QuoteState =
  | 'drafted'
  | 'offered'
  | 'approved'
  | 'declined'
  | 'withdrawn'
  | 'expired'
  | 'replaced'

/**
 * What has become of one version among all `versions` of its job on the day `today` (ISO date). An
 * approval stands until a later version is approved; an offer only until a later version is begun.
 */
export function stateOf(quote: Standing, versions: readonly Standing[], today: string): QuoteState {
  if (quote.ended) return quote.ended.as
  const later = versions.filter(({ number }) => number > quote.number)
  if (quote.approval) return agreedTo(later) ? 'replaced' : 'approved'
  if (later.length > 0) return 'replaced'
  if (!quote.document) return 'drafted'
  return quote.document.validUntil < today ? 'expired' : 'offered'
}

/** The version the customer agreed to and still stands by: the last one approved and not withdrawn. */
export const agreedTo = <V extends Pick<Standing, 'approval' | 'ended'>>(
  versions: readonly V[],
): V | undefined => versions.findLast(({ approval, ended }) => approval !== null && ended === null)

/** Why a change is refused: a code, a sentence, and the field where one is at fault. */
export interface QuoteRefusal {
  code: 'offered' | 'approved' | 'ended' | 'fitted' | 'not_offered' | 'no_such_option' | 'expired'
  message: string
  field: string | null
}

/**
 * What forbids a change to a version; null where nothing does. A draft may change; what was offered can
 * only be approved, in time, declined or withdrawn; what was approved only withdrawn, and not once it is
 * `fitted`.
 */
export function refusalOf(
  quote: Version,
  { approval, ended, offered, document, ...rest }: Omit<QuotePatch, 'version'>,
  fitted: boolean,
): QuoteRefusal | null {
  const { number } = quote
  const refuse = (code: QuoteRefusal['code'], message: string, field: string | null = null) => ({
    code,
    message,
    field,
  })
  if (quote.ended) {
    const how = quote.ended.as
    return refuse('ended', `Quote ${number} was ${how}; a change needs a new one.`)
  }
  const changes = document !== undefined || offered || Object.values(rest).some(isGiven)
  if (quote.approval && (changes || approval || ended?.as === 'declined')) {
    return refuse('approved', `Quote ${number} is approved; a change needs a new one.`)
  }
  if (quote.document && changes) {
    return refuse('offered', `Quote ${number} was offered; a change needs a new one.`)
  }
  const standing = quote.document ?? document
  if ((approval || ended) && !standing) {
    return refuse('not_offered', 'What is approved or ended has to be offered first.', 'document')
  }
  if (approval && !standing?.options.some(({ id }) => id === approval.optionId)) {
    return refuse('no_such_option', 'The quote has no such option.', 'approval.optionId')
  }
  if (approval && standing && isOver(standing.validUntil, approval.at)) {
    const message = `Quote ${number} ran out on ${standing.validUntil}; it needs a new version.`
    return refuse('expired', message, 'approval.at')
  }
  if (ended && quote.approval && fitted) {
    return refuse('fitted', `Quote ${number} is fitted already; it cannot be withdrawn.`)
  }
  return null
}

const DAY = 24 * 3_600_000

/**
 * Whether this day (ISO date) is over at this time wherever the shop may be: the last time zone is twelve
 * hours behind UTC. An offer runs out by the shop's own day, and where that is nobody here knows.
 */
const isOver = (day: string, at: string): boolean =>
  Date.parse(at) >= Date.parse(`${day}T12:00:00Z`) + DAY

const isGiven = (value: unknown) => value !== undefined
