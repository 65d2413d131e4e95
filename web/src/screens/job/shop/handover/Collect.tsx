import { Collected, type SignOff } from '@tembrix/core/things/records'
import { CircleCheck, PackageCheck } from 'lucide-react'
import { useState } from 'react'
import { dayAndTime } from '../../../../base/format'
import { useTechnician } from '../../../../base/shell'
import { Button, callout, Field, TextInput } from '../../../../base/ui'
import { NewVisit } from './NewVisit'
import type { HandingOver } from './useHandover'

interface Props {
  handing: HandingOver
  signed: SignOff
}

/** Who takes the machine home; that closes the job. */
export function Collect({ handing: { handover, settle }, signed }: Props) {
  const [technician] = useTechnician()
  const [name, setName] = useState<string | null>(null)
  const [tried, setTried] = useState(false)
  const taker = name ?? signed.name
  const { collected } = handover

  function collect() {
    setTried(true)
    const at = new Date().toISOString()
    const taken = Collected.safeParse({ name: taker, at, by: technician })
    if (taken.success) settle({ collected: taken.data }, 'the collection')
  }

  return (
    <>
      <p className={callout({ tone: 'good' })}>
        <CircleCheck size={18} className="mr-1 inline text-act" aria-hidden />
        Signed by <b className="font-semibold">{signed.name}</b> on {dayAndTime(signed.at)}.
        {collected && (
          <>
            {' '}
            Collected by <b className="font-semibold">{collected.name}</b> on{' '}
            {dayAndTime(collected.at)}: the job is closed.
          </>
        )}
      </p>
      {collected ? (
        <NewVisit />
      ) : (
        <section aria-label="Collection" className="border-2 border-ink p-3">
          <h3 className="mb-1 font-semibold">Collected</h3>
          <Field
            label="By whom"
            error={tried && taker.trim() === '' ? 'Who collects it?' : undefined}
            hint="The job is closed then; what comes later is a new visit."
          >
            {(control) => <TextInput {...control} value={taker} onValue={setName} />}
          </Field>
          <Button look="main" className="mt-2" onClick={collect}>
            <PackageCheck size={18} aria-hidden /> Collected
          </Button>
        </section>
      )}
    </>
  )
}
