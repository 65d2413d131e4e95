import { mixingRisk, verdicts } from '@tembrix/core/judging/plan'
import { situationOf } from '@tembrix/core/shop/job'
import { costOf, type Plan, settingsOf } from '@tembrix/core/things/records'
import { Columns3, Pin, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { making, removing } from '../../../../base/data'
import { bandwidth, CHOICES, capacity, latency, money, speed } from '../../../../base/format'
import { Button, Dialog, TextInput } from '../../../../base/ui'
import { describeModule, modeWord } from '../../../../parts/board'
import { type JobNeed, type JobView, useJob, useJobAt, useJobPart, useNeed } from '../../base/file'
import { gainInShort, PLANS_KEPT } from './words'

/** Keeps the plan on the board beside others, and shows them side by side. */
export function Compare() {
  const jobAt = useJobAt()
  const [open, setOpen] = useState(false)
  const kept = useJobPart(({ file }) => file.plans.length - 1)

  function keep() {
    const { file, plan, planned, edit } = jobAt()
    const fields = {
      jobId: file.id,
      name: `Plan ${firstFree(file.plans)}`,
      placement: planned.assignment,
      ...settingsOf(plan),
    }
    edit.act('', [making('plans', fields)])
  }

  return (
    <>
      <Button disabled={kept >= PLANS_KEPT} onClick={keep}>
        <Pin size={17} aria-hidden /> Keep
      </Button>
      {kept > 0 && (
        <Button onClick={() => setOpen(true)}>
          <Columns3 size={17} aria-hidden /> Compare {kept}
        </Button>
      )}
      {open && <SideBySide onClose={() => setOpen(false)} />}
    </>
  )
}

function firstFree(plans: readonly Plan[]): number {
  const names = new Set(plans.map(({ name }) => name))
  let number = 2
  while (names.has(`Plan ${number}`)) number += 1
  return number
}

function SideBySide({ onClose }: { onClose: () => void }) {
  const view = useJob()
  const need = useNeed()
  const { file, plan, edit } = view
  const columns = [plan, ...file.plans.slice(1)].map((one) => columnOf(view, need, one))
  const rows = columns[0]?.rows.map(({ name }) => name) ?? []
  return (
    <Dialog
      open
      onOpen={onClose}
      wide
      title="Plans side by side"
      intro="What differs is set in bold."
    >
      <div className="overflow-x-auto">
        <table className="w-full border-collapse text-left text-[0.93rem]">
          <thead>
            <tr className="border-b-2 border-rule-2 align-bottom">
              <td />
              {columns.map(({ plan: one }, at) => (
                <th key={one.id} scope="col" className="p-1.5">
                  {at === 0 ? (
                    'On the board'
                  ) : (
                    <TextInput
                      id={`name-${one.id}`}
                      aria-label={`Name of ${one.name}`}
                      aria-invalid={false}
                      aria-describedby={undefined}
                      value={one.name}
                      onValue={(name) => {
                        if (name.trim()) edit.step('plans', one, { name })
                      }}
                    />
                  )}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map((name, row) => {
              const cells = columns.map((column) => column.rows[row]?.figure ?? '')
              const differ = new Set(cells).size > 1
              return (
                <tr key={name} className={`border-b border-rule ${differ ? '' : 'text-ink-2'}`}>
                  <th scope="row" className="p-1.5 font-normal whitespace-nowrap">
                    {name}
                  </th>
                  {cells.map((figure, at) => (
                    <td
                      key={columns[at]?.plan.id}
                      className={`p-1.5 ${differ ? 'font-semibold' : ''}`}
                    >
                      {figure}
                    </td>
                  ))}
                </tr>
              )
            })}
            <tr>
              <td />
              {columns.map(({ plan: one }, at) => (
                <td key={one.id} className="p-1.5">
                  {at > 0 && (
                    <span className="flex gap-1">
                      <Button
                        onClick={() => {
                          const { placement, profile } = one
                          edit.step('plans', plan, { placement, profile })
                        }}
                      >
                        Put on the board
                      </Button>
                      <Button
                        look="quiet"
                        aria-label={`Remove ${one.name}`}
                        onClick={() => edit.act('', [removing('plans', one)])}
                      >
                        <Trash2 size={17} aria-hidden />
                      </Button>
                    </span>
                  )}
                </td>
              ))}
            </tr>
          </tbody>
        </table>
      </div>
    </Dialog>
  )
}

interface Column {
  plan: Plan
  rows: { name: string; figure: string }[]
}

function columnOf({ machine, pieces, file }: JobView, need: JobNeed, plan: Plan): Column {
  const situation = situationOf(machine, plan.placement ?? file.found, pieces, settingsOf(plan))
  const { assignment, placement, settings, evaluation } = situation
  const { run, mode, capacity: size } = evaluation
  const cost = costOf(assignment, pieces)
  const gain = need.gainOf(evaluation, placement)
  const said = verdicts(machine, placement)
  const accepted = (['matched', 'balanced', 'capacity'] as const).filter(
    (policy) => evaluation.starts && said[policy].length === 0,
  )
  const slots = machine.slots.map(({ id }) => {
    const module = placement[id]
    return { name: id, figure: module ? describeModule(module) : 'empty' }
  })
  return {
    plan,
    rows: [
      { name: 'To buy', figure: money(cost.total) },
      { name: 'Usable', figure: evaluation.starts ? capacity(size.usableGiB) : 'does not start' },
      { name: 'Channels', figure: modeWord(mode) },
      { name: 'Speed', figure: run ? speed(run.dataRate) : '–' },
      { name: 'Latency', figure: run ? latency(run.firstWordNs) : '–' },
      { name: 'Peak bandwidth', figure: run ? bandwidth(run.wholePeakGBs) : '–' },
      { name: 'Memory profile', figure: run?.profile ? 'on' : 'off' },
      { name: 'Expected gain', figure: gain ? gainInShort(gain) : '–' },
      {
        name: 'Accepted by',
        figure: accepted.map((one) => CHOICES.policy[one]).join(', ') || 'none',
      },
      {
        name: 'Risk of mixing',
        figure: mixingRisk(machine, placement, settings, machine.touchy ?? false).level,
      },
      ...slots,
    ],
  }
}
