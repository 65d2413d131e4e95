import { newVisit } from '@tembrix/core/shop/handover'
import { RotateCw } from 'lucide-react'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { useActMutation } from '../../../../base/data'
import { Button, ErrorText } from '../../../../base/ui'
import { useJob } from '../../base/file'

/** Begins a new visit for a closed job: the same customer and machine, with what is in it now. */
export function NewVisit() {
  const { file, now, planned, pieces } = useJob()
  const navigate = useNavigate()
  const [act, { isLoading }] = useActMutation()
  const [fault, setFault] = useState('')

  // The same one when it is tried again, so that an answer that was lost begins nothing twice.
  const [visit] = useState(() =>
    newVisit(file, file.fits[0]?.finishedAt ? planned : now, pieces, () => crypto.randomUUID()),
  )

  async function begin() {
    setFault('')
    const { error } = await act(visit.writes)
    const isThere = error && 'status' in error && error.status === 409
    if (error && !isThere) setFault('The server does not answer. Nothing was begun; try again.')
    else navigate(`/jobs/${visit.jobId}/intake`)
  }

  return (
    <div>
      <Button onClick={begin} disabled={isLoading}>
        <RotateCw size={17} aria-hidden /> It comes back: begin a new visit
      </Button>
      <p className="text-sm text-ink-2">
        This job stays as it was. The new one begins with what is in the machine now.
      </p>
      <ErrorText>{fault}</ErrorText>
    </div>
  )
}
