import { useState } from 'react'
import { saidOf, useSingleOutMutation } from '../../../../base/data'
import { notify } from '../../../../base/toast'
import { Button, Confirm, ErrorText } from '../../../../base/ui'
import { useJob } from '../file'

/** A machine that differs from the others becomes a job by itself. */
export function SingleOut() {
  const { file } = useJob()
  const [asking, setAsking] = useState(false)
  const [singleOut, { error }] = useSingleOutMutation()
  async function go() {
    const done = await singleOut({ id: file.id, version: file.version })
    if (!done.error) notify('This machine is a job by itself now.')
  }
  return (
    <>
      <Button onClick={() => setAsking(true)}>It differs: single it out</Button>
      <ErrorText>{error ? saidOf(error) : ''}</ErrorText>
      {asking && (
        <Confirm
          title="Single this machine out?"
          action="Single it out"
          onConfirm={go}
          onClose={() => setAsking(false)}
        >
          It keeps the plan as it stands, and needs a quote of its own. The quote of job{' '}
          {file.lead?.number} is for one machine too many then: offer a new version there.
        </Confirm>
      )}
    </>
  )
}
