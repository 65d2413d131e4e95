import { LOGINS, type Login } from '@tembrix/core/things/records'
import { Eye } from 'lucide-react'
import { useState } from 'react'
import { saidOf, useKeepPasswordMutation, useLazyPasswordQuery } from '../../../../base/data'
import type { RecordForm } from '../../../../base/form'
import { CHOICES } from '../../../../base/format'
import { notify } from '../../../../base/toast'
import { Button, ErrorText, Field, Select, TextInput } from '../../../../base/ui'

/** How one gets into the machine’s system; a password is stored encrypted, and forgotten when the job closes. */
export function GettingIn({ job, jobId }: { job: RecordForm; jobId: string }) {
  const login = (job.value('login') as Login | null) ?? ''
  const [keeping, setKeeping] = useState(false)
  return (
    <>
      <Field label="Getting into the system" error={job.error('login')}>
        {(control) => (
          <Select
            {...control}
            value={keeping ? 'kept' : login}
            options={[
              { value: '', label: 'not asked yet' },
              ...LOGINS.map((value) => ({ value, label: CHOICES.login[value] })),
            ]}
            onValue={(value) => {
              setKeeping(value === 'kept')
              if (value !== 'kept') job.set(value === '' ? null : value, 'login')
            }}
          />
        )}
      </Field>
      {(keeping || login === 'kept') && (
        <Password jobId={jobId} kept={login === 'kept'} onKept={() => setKeeping(false)} />
      )}
    </>
  )
}

function Password({ jobId, kept, onKept }: { jobId: string; kept: boolean; onKept: () => void }) {
  const [typed, setTyped] = useState('')
  const [keep, keeping] = useKeepPasswordMutation()
  const [show, shown] = useLazyPasswordQuery()
  const error = keeping.error ?? shown.error

  async function save() {
    const done = await keep({ jobId, password: typed })
    if (done.error) return
    notify('The password is kept, encrypted, until the job closes.')
    setTyped('')
    onKept()
  }
  return (
    <div className="flex flex-col gap-2 border-l-4 border-rule pl-3">
      {kept && (
        <div className="flex flex-wrap items-center gap-3">
          <Button onClick={() => show(jobId)}>
            <Eye size={17} aria-hidden /> Show the password
          </Button>
          {shown.data && !shown.isFetching && (
            <b className="font-mono">{shown.data.password ?? 'none is kept any more'}</b>
          )}
          <span className="text-sm text-ink-2">The history notes who looked.</span>
        </div>
      )}
      <Field
        label={kept ? 'Another password' : 'Password'}
        hint="Ask for a guest account where there is one. It stays out of tickets, labels and job files."
      >
        {(control) => (
          <div className="flex gap-2">
            <TextInput {...control} className="font-mono" value={typed} onValue={setTyped} />
            <Button disabled={typed === '' || keeping.isLoading} onClick={save}>
              Keep
            </Button>
          </div>
        )}
      </Field>
      <ErrorText>{error ? saidOf(error) : ''}</ErrorText>
    </div>
  )
}
