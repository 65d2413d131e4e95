import type { Missing } from '@tembrix/core/diagnose'
import { standingOf } from '@tembrix/core/job'
import { STAGES } from '@tembrix/core/records'
import { CircleCheck } from 'lucide-react'
import { useShopQuery } from '../../data'
import { Button, list } from '../../ui'
import { useJob } from '../file'

const MISSING = {
  seen: 'the memory in all as seen',
  stability: 'a stability test',
  testRule: 'as long a test as the shop’s rule asks for',
} satisfies Record<Missing, string>

/** What is still to do, and the word that it is done. */
export function Verified() {
  const view = useJob()
  const { file, edit } = view
  const { data: shop } = useShopQuery()
  const standing = standingOf(
    { ...view, ceilings: view.learned.ceilings },
    shop?.terms.testHours ?? null,
  )
  const past = STAGES.indexOf(file.stage) >= STAGES.indexOf('handover')
  if (standing?.kind === 'open') {
    return (
      <p className="text-sm text-ink-2">
        Before it is handed over: {list(standing.missing.map((one) => MISSING[one]))}.
      </p>
    )
  }
  if (standing?.kind !== 'verified') return null
  return past ? (
    <p className="flex gap-2 font-medium">
      <CircleCheck size={18} className="mt-0.5 shrink-0 text-act" aria-hidden />
      Verified: ready to hand over.
    </p>
  ) : (
    <Button
      look="main"
      className="self-start"
      onClick={() => edit.step('jobs', file, { stage: 'handover' })}
    >
      <CircleCheck size={18} aria-hidden /> Verified: ready to hand over
    </Button>
  )
}
