import { BELIEFS, beliefFigures } from '@tembrix/core/judging/advice'
import { boardFirst, machineInUse, situationOf } from '@tembrix/core/shop/job'
import { type JobFile, piecesById, settingsOf } from '@tembrix/core/things/records'
import { useMemo } from 'react'
import { Link, useSearchParams } from 'react-router'
import { useJobQuery } from '../../base/data'
import { BELIEF_WORDS } from './beliefWords'
import { Card } from './Card'

/** Beliefs about memory with their answers; opened from a job, with its machine's figures as planned. */
export function Beliefs() {
  const [search] = useSearchParams()
  const id = search.get('job') ?? ''
  const { data: job } = useJobQuery(id, { skip: id === '' })
  const figures = useMemo(() => (job ? figuresOf(job) : null), [job])
  return (
    <Card title="Beliefs">
      {job && (
        <p className="text-sm">
          With the figures of{' '}
          <Link to={`/jobs/${job.id}/plan`} className="font-semibold underline">
            {job.machine.machine.name}
          </Link>
          , as planned.
        </p>
      )}
      <dl>
        {BELIEFS.map((one) => {
          const { belief, answer, here } = BELIEF_WORDS[one]
          const own = figures && here(figures)
          return (
            <div key={one} className="border-t border-rule py-1.5">
              <dt className="font-semibold">“{belief}”</dt>
              <dd className="text-[0.93rem]">{answer}</dd>
              {own && <dd className="mt-0.5 font-medium">This machine: {own}</dd>}
            </div>
          )
        })}
      </dl>
    </Card>
  )
}

function figuresOf(job: JobFile) {
  const { machine: record, found, modules, plans } = boardFirst(job)
  const pieces = piecesById(modules)
  const machine = machineInUse(record, found, pieces)
  const [plan] = plans
  const settings = plan ? settingsOf(plan) : { profile: false }
  const planned = situationOf(machine, plan?.placement ?? found, pieces, settings)
  return beliefFigures(machine, planned.placement, planned.evaluation)
}
