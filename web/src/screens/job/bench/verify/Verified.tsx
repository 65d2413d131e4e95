import { ACCEPTABLE, type Acceptable } from '@tembrix/core/bench/diagnose'
import { standingOf } from '@tembrix/core/shop/job'
import { STAGES } from '@tembrix/core/things/records'
import { CircleCheck } from 'lucide-react'
import { useNavigate } from 'react-router'
import { list } from '../../../../base/format'
import { Button, Field, TextInput } from '../../../../base/ui'
import type { Verifying } from '../../base/file'
import { OnTo, useJob, useShop } from '../../base/file'
import { MISSING_WORDS } from './words'

const ACCEPTED: Record<Acceptable, string> = {
  speed: 'Why the speed is right as it is',
  channels: 'Why the channels cannot be told',
  loss: 'Why the loss is accepted',
}

/** What is still to do, what is accepted otherwise than planned, and the word that it is done. */
export function Verified({ verifying: { record, set } }: { verifying: Verifying }) {
  const view = useJob()
  const { file, edit } = view
  const navigate = useNavigate()
  const { terms } = useShop()
  const standing = standingOf({ ...view, ceilings: view.learned.ceilings }, terms)
  const past = STAGES.indexOf(file.stage) >= STAGES.indexOf('handover')
  const missing = standing?.missing ?? []
  const accepted = record.accepted ?? {}
  const asked = ACCEPTABLE.filter((one) => missing.includes(one) || (accepted[one] ?? '') !== '')
  return (
    <>
      {missing.length > 0 && (
        <p className="text-sm text-ink-2">
          Before it is handed over: {list(missing.map((one) => MISSING_WORDS[one]))}.
        </p>
      )}
      {asked.map((one) => (
        <Field key={one} label={ACCEPTED[one]} hint="Where it is accepted so, the reason.">
          {(control) => (
            <TextInput
              {...control}
              placeholder={one === 'channels' ? 'not shown anywhere on this machine' : ''}
              value={accepted[one] ?? ''}
              onValue={(text) => set({ accepted: { ...accepted, [one]: text.slice(0, 300) } })}
            />
          )}
        </Field>
      ))}
      {standing?.kind === 'verified' &&
        (past ? (
          <>
            <p className="flex gap-2 font-medium">
              <CircleCheck size={18} className="mt-0.5 shrink-0 text-act" aria-hidden />
              Verified: ready to hand over.
            </p>
            <OnTo step="handover">On to Hand over</OnTo>
          </>
        ) : (
          <Button
            look="main"
            className="self-start"
            onClick={() => {
              edit.step('jobs', file, { stage: 'handover' })
              navigate(`/jobs/${file.id}/handover`)
            }}
          >
            <CircleCheck size={18} aria-hidden /> Verified: ready to hand over
          </Button>
        ))}
    </>
  )
}
