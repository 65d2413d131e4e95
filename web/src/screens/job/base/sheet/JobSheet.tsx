import type { ReactNode } from 'react'
import { Link, useParams } from 'react-router'
import { Bar } from '../../../../base/shell'
import { LoadError, PageMessage, Waiting } from '../../../../base/ui'
import { JobProvider } from '../file'

interface Props {
  /** The step it belongs to, and what the way back says. */
  step: string
  back: string
  children: ReactNode
}

/** The frame of a page of a job that is printed: the way back, and the job read for what is inside. */
export function JobSheet({ step, back, children }: Props) {
  const { id = '' } = useParams()
  return (
    <>
      <Bar>
        <Link to={`/jobs/${id}/${step}`} className="flex min-h-11 items-center underline">
          {back}
        </Link>
      </Bar>
      <JobProvider
        id={id}
        waiting={<Waiting>Opening the job…</Waiting>}
        failed={(retry, missing) =>
          missing ? (
            <PageMessage title="There is no such job" />
          ) : (
            <LoadError title="The job cannot be read" onRetry={retry} />
          )
        }
      >
        {children}
      </JobProvider>
    </>
  )
}
