import { skipToken } from '@reduxjs/toolkit/query/react'
import { useLocation, useNavigate } from 'react-router'
import { useLikeMachinesQuery } from '../../../../base/data'
import { Select } from '../../../../base/ui'
import { useJobPart } from '../file'
import { machineWords } from './words'

/** From one of several like machines to another, at the same step. */
export function MachineSwitch() {
  const id = useJobPart(({ file }) => file.id)
  const machines = useJobPart(({ file }) => file.machines)
  const { pathname } = useLocation()
  const navigate = useNavigate()
  const { data = [] } = useLikeMachinesQuery(machines > 1 ? id : skipToken)
  if (data.length < 2) return null
  const [, , , step = ''] = pathname.split('/')
  return (
    <Select
      aria-label="Which of the like machines"
      className="max-w-96 shrink-0 max-sm:mb-1.5 max-sm:max-w-none max-sm:basis-full sm:w-auto"
      value={id}
      options={data.map((one, at) => ({
        value: one.id,
        label: `${at + 1} of ${data.length}: ${machineWords(one)}`,
      }))}
      onValue={(to) => navigate(`/jobs/${to}/${step}`)}
    />
  )
}
