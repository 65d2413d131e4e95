import {
  figuresGone,
  type HandoverFacts,
  handoverFacts,
  type Report,
  withoutReason,
} from '@tembrix/core/shop/handover'
import { promisedOf } from '@tembrix/core/shop/job'
import {
  type Handover,
  type HandoverChange,
  type HandoverDocument,
  type HandoverPatch,
  NOT_HANDED_OVER,
  type Terms,
} from '@tembrix/core/things/records'
import { useMemo } from 'react'
import { today } from '../../../../base/format'
import { useJob, useNeed, useOneRecord, useShop } from '../../base/file'
import { handoverDocument } from './handoverDocument'
import { figuresOf, writtenReport } from './reportWords'

export interface HandingOver {
  handover: Handover
  facts: HandoverFacts
  terms: Terms
  /** Every figure that the report may name, by its name. */
  figures: Readonly<Record<string, string>>
  /** The report as the record has it. */
  written: Report
  /** As signed; until then as it stands now. */
  document: HandoverDocument
  /** Why it cannot be signed yet, each as a sentence. */
  hindrances: string[]
  set: (fields: HandoverChange, typing?: string) => void
  /** The same for good: signing and collecting. */
  settle: (fields: Omit<HandoverPatch, 'version'>, name: string) => void
}

/** How the job ends: its report, what stands open, and what was noted of it. */
export function useHandover(): HandingOver {
  const view = useJob()
  const { file, machine, now, planned, pieces, learned, errorsFound } = view
  const { gainOf } = useNeed()
  const { terms } = useShop()
  const { record, set, settle } = useOneRecord('handovers', file.handovers[0], NOT_HANDED_OVER)
  const worked = useMemo(() => {
    const job = { file, machine, now, planned, pieces, ceilings: learned.ceilings, errorsFound }
    const facts = handoverFacts(
      job,
      gainOf(promisedOf(machine, planned).situation.evaluation, planned.placement),
      terms,
    )
    const figures = figuresOf(facts)
    const written = writtenReport(facts, file)
    const basis = { file, facts, handover: record, figures, written, terms, on: today() }
    const gone = figuresGone(record.wording, figures)
    const unexplained = withoutReason(facts.points, record.reasons).length
    return {
      facts,
      figures,
      written,
      document: record.document ?? handoverDocument(basis),
      hindrances: [
        ...(unexplained > 0 ? ['Every open point is closed, or has its reason.'] : []),
        ...(gone.length > 0
          ? [`The record no longer has these figures of the report: ${gone.join(', ')}.`]
          : []),
      ],
    }
  }, [file, machine, now, planned, pieces, learned, errorsFound, gainOf, terms, record])
  return { handover: record, terms, ...worked, set, settle }
}
