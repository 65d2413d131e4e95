import type {
  HandoverDocument,
  JobLine,
  Message,
  Photo,
  Quote,
  QuoteDocument,
  WarrantyClaim,
  WithoutWork,
} from '../../things/records'
import { isOpenClaim, isOurs, type StoodBy, termsOf } from './claim'

/** Outcome of a quote: its options with their amounts to pay (minor units of its currency), and how it ended. */
export interface VisitQuote extends Pick<Quote, 'id' | 'number'> {
  offeredOn: string
  options: { title: string; toPay: number; isApproved: boolean }[]
  currency: QuoteDocument['currency']
  ended: 'declined' | 'withdrawn' | null
}

/** A visit of a customer or a machine: its job, and what it left on record. */
export interface Visit {
  job: JobLine
  machineId: string
  /** Moment it came in (ISO). */
  cameAt: string
  withoutWork: WithoutWork['as'] | null
  /** As its report was signed; null before. */
  signed: Pick<HandoverDocument, 'on' | 'fitted' | 'removed' | 'measured' | 'open'> | null
  quotes: VisitQuote[]
  claims: WarrantyClaim[]
  messages: Pick<Message, 'id' | 'createdAt' | 'reason' | 'channel' | 'to' | 'state'>[]
  photos: Pick<Photo, 'id' | 'caption'>[]
}

type Fitted = HandoverDocument['fitted'][number]

/** A module that a visit fitted, who stands by it today, and the later visit that put another into its slot. */
export interface FittedEver {
  visit: Pick<Visit, 'job' | 'machineId'> & { on: string }
  part: Fitted
  by: StoodBy
  /** Number of the later job that took it out; null while it is in as far as is on record. */
  outSince: number | null
}

/** Modules that visits fitted, the newest first, on the day `today` (ISO date). `visits` come the newest first. */
export function fittedEver(visits: readonly Visit[], today: string): FittedEver[] {
  return visits.flatMap(({ job, machineId, signed }, at) =>
    (signed?.fitted ?? []).filter(isOurs).map((part) => {
      const later = visits
        .slice(0, at)
        .findLast(
          (one) =>
            one.machineId === machineId &&
            (one.signed?.fitted.some(
              ({ slot, state }) => slot === part.slot && state !== 'stayed',
            ) ??
              false),
        )
      return {
        visit: { job, machineId, on: signed?.on ?? '' },
        part,
        by: termsOf(part, today),
        outSince: later?.job.number ?? null,
      }
    }),
  )
}

/** Open points of a visit: those signed for with their reasons, and claims still to be answered. */
export const openAfter = ({
  signed,
  claims,
}: Pick<Visit, 'signed' | 'claims'>): {
  points: HandoverDocument['open']
  claims: WarrantyClaim[]
} => ({
  points: signed?.open ?? [],
  claims: claims.filter(({ state }) => isOpenClaim(state)),
})
