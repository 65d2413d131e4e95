import { SignOff } from '@tembrix/core/things/records'
import { BadgeCheck } from 'lucide-react'
import { lazy, Suspense, useState } from 'react'
import { useTechnician } from '../../../../base/shell'
import { Button, callout, Disclosure, Field, TextInput, Waiting } from '../../../../base/ui'
import { useJobPart } from '../../base/file'
import type { HandingOver } from './useHandover'

const SignaturePad = lazy(() => import('./SignaturePad'))

/** The customer signs for the report, which stays as it is from then on. */
export function SignOffForm({
  handing: { document, hindrances, settle },
}: {
  handing: HandingOver
}) {
  const customer = useJobPart(({ file }) => file.customer.name)
  const [technician] = useTechnician()
  const [name, setName] = useState<string | null>(null)
  const [drawn, setDrawn] = useState<string | null>(null)
  const [tried, setTried] = useState(false)
  const signer = name ?? customer
  const nameless = signer.trim() === ''

  function sign() {
    setTried(true)
    if (hindrances.length > 0) return
    const at = new Date().toISOString()
    const signed = SignOff.safeParse({ name: signer, at, by: technician, drawn })
    if (signed.success) settle({ signed: signed.data, document }, 'the sign-off')
  }

  return (
    <section aria-label="Sign-off" className="border-2 border-ink p-3">
      <h3 className="mb-1 font-semibold">The customer signs</h3>
      {tried && hindrances.length > 0 && (
        <ul className={callout({ tone: 'stop', className: 'mb-2' })}>
          {hindrances.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
      )}
      <Field
        label="Name"
        error={tried && nameless ? 'Who signs for it?' : undefined}
        hint="The report stays as it is from then on, with every figure."
      >
        {(control) => <TextInput {...control} value={signer} onValue={setName} />}
      </Field>
      <Disclosure summary="Sign by hand on this screen" className="my-1">
        <Suspense fallback={<Waiting>Opening…</Waiting>}>
          <SignaturePad onDrawn={setDrawn} />
        </Suspense>
      </Disclosure>
      <Button look="main" onClick={sign}>
        <BadgeCheck size={18} aria-hidden /> Signed
      </Button>
    </section>
  )
}
