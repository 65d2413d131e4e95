import type { ModuleRecord } from '@tembrix/core/things/records'
import { useDeferredValue, useState } from 'react'
import { loadedRows, useJobsInfiniteQuery } from '../../base/data'
import { Button, Field, TextInput } from '../../base/ui'

interface Props {
  jobId: NonNullable<ModuleRecord['fromJobId']> | ''
  /** Its number, where it is known without asking. */
  number: number | null
  onChoose: (jobId: string, number: number | null) => void
}

/** Matches shown; a word more narrows them. */
const SHOWN = 5

/** The job that a piece was taken out at, found by its number, customer or machine. */
export function FromJob({ jobId, number, onChoose }: Props) {
  const [search, setSearch] = useState('')
  const sought = useDeferredValue(search.trim())
  const { currentData } = useJobsInfiniteQuery(
    { search: sought, stage: '' },
    { skip: sought === '' },
  )
  const found = sought === '' ? [] : (loadedRows(currentData) ?? [])
  if (jobId !== '') {
    return (
      <Field label="From job" className="sm:col-span-3">
        {(control) => (
          <span id={control.id} className="flex min-h-11 items-center gap-3">
            <b className="font-semibold">job {number}</b>
            <Button onClick={() => onChoose('', null)}>Another</Button>
          </span>
        )}
      </Field>
    )
  }
  return (
    <Field
      label="From job"
      className="sm:col-span-3"
      hint="By its number, customer or machine; none where nobody knows."
    >
      {(control) => (
        <>
          <TextInput {...control} type="search" value={search} onValue={setSearch} />
          {found.length > 0 && (
            <ul aria-label="Jobs found" className="flex flex-col gap-1">
              {found.slice(0, SHOWN).map((job) => (
                <li key={job.id}>
                  <Button
                    className="w-full justify-start"
                    onClick={() => {
                      setSearch('')
                      onChoose(job.id, job.number)
                    }}
                  >
                    {job.number} · {job.customerName} · {job.machineName}
                  </Button>
                </li>
              ))}
            </ul>
          )}
          {sought !== '' && currentData && found.length === 0 && (
            <span className="text-sm text-ink-2">No job matches.</span>
          )}
          {found.length > SHOWN && (
            <span className="text-sm text-ink-2">More match: a word more narrows them.</span>
          )}
        </>
      )}
    </Field>
  )
}
