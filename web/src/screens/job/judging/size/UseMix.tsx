import { type ChosenUse, LEVELS, type Use } from '@tembrix/core/judging/sizing'
import { ChevronDown, ChevronUp, Plus, SlidersHorizontal, Trash2 } from 'lucide-react'
import { Fragment, useState } from 'react'
import type { RecordForm } from '../../../../base/form'
import { CHOICES, numberFrom } from '../../../../base/format'
import { Button, Check, Field, IconButton, Select, TextInput } from '../../../../base/ui'
import { UseTableDialog } from '../../../../parts/shop'
import { type JobNeed, useJob } from '../../base/file'
import { GameQuestions } from './GameQuestions'
import { SIZING_HINTS } from './words'

const AT_ONCE = 'at once'

interface Props {
  need: JobNeed
  form: RecordForm
}

/** What the machine is used for: each use, how heavily, how much of the time, and which run at once. */
export function UseMix({ need: { table }, form }: Props) {
  const { file } = useJob()
  const [editing, setEditing] = useState(false)
  /** Uses whose questions somebody opened or closed; others open where a customer is to be asked. */
  const [opened, setOpened] = useState<Readonly<Record<string, boolean>>>({})
  const chosen = file.sizing.uses
  const set = (uses: readonly ChosenUse[]) => form.set(uses, 'sizing', 'uses')
  const change = (at: number, changes: Partial<ChosenUse>) =>
    set(chosen.map((one, n) => (n === at ? { ...one, ...changes } : one)))
  const free = table.uses.filter(({ id }) => !chosen.some(({ use }) => use === id))
  return (
    <section aria-label="Uses">
      <div className="flex items-center justify-between gap-2">
        <h3 className="font-semibold">What it is used for</h3>
        <Button look="quiet" onClick={() => setEditing(true)}>
          <SlidersHorizontal size={17} aria-hidden /> The shop’s table
        </Button>
      </div>
      {chosen.length > 0 && (
        <table className="w-full text-left text-sm">
          <thead className="text-ink-2">
            <tr>
              <th className="font-normal">Use</th>
              <th className="w-24 font-normal">Done</th>
              <th className="w-16 font-normal">% of time</th>
              <th className="w-22 font-normal">At once</th>
              <th className="w-24" />
            </tr>
          </thead>
          <tbody>
            {chosen.map((one, at) => {
              const row = table.uses.find(({ id }) => id === one.use)
              const name = row?.name ?? one.use
              const isOpen = opened[one.use] ?? hasQuestions(row, file.sizing.integratedGraphics)
              return (
                <Fragment key={one.use}>
                  <tr className="border-t border-rule">
                    <td className="pr-1 font-medium">{name}</td>
                    <td className="pr-1">
                      <Select
                        aria-label={`How heavily: ${name}`}
                        value={one.level}
                        options={LEVELS.map((value) => ({ value, label: CHOICES.level[value] }))}
                        onValue={(level) => change(at, { level })}
                      />
                    </td>
                    <td className="pr-1">
                      <TextInput
                        id={`share-${one.use}`}
                        aria-label={`Share of the time: ${name}`}
                        aria-invalid={form.error('sizing', 'uses', at, 'weight') !== undefined}
                        aria-describedby={undefined}
                        inputMode="numeric"
                        value={form.value('sizing', 'uses', at, 'weight')}
                        onValue={(text) =>
                          form.set(numberFrom(text) ?? 0, 'sizing', 'uses', at, 'weight')
                        }
                      />
                    </td>
                    <td>
                      <Check
                        label={<span className="sr-only">{name} runs with the others</span>}
                        checked={one.together !== null}
                        onChecked={(on) => change(at, { together: on ? AT_ONCE : null })}
                      />
                    </td>
                    <td>
                      <div className="flex">
                        <IconButton
                          label={isOpen ? `Less about ${name}` : `More about ${name}`}
                          aria-expanded={isOpen}
                          onClick={() => setOpened({ ...opened, [one.use]: !isOpen })}
                        >
                          {isOpen ? (
                            <ChevronUp size={17} aria-hidden />
                          ) : (
                            <ChevronDown size={17} aria-hidden />
                          )}
                        </IconButton>
                        <IconButton
                          label={`Remove ${name}`}
                          onClick={() => set(chosen.filter((_, n) => n !== at))}
                          look="remove"
                        >
                          <Trash2 size={17} aria-hidden />
                        </IconButton>
                      </div>
                    </td>
                  </tr>
                  {isOpen && (
                    <tr>
                      <td colSpan={5} className="pb-2">
                        {row && SIZING_HINTS[row.work] && (
                          <p className="text-sm text-ink-2">{SIZING_HINTS[row.work]}</p>
                        )}
                        {row?.work === 'games' && file.sizing.integratedGraphics !== true && (
                          <GameQuestions
                            chosen={one}
                            at={at}
                            form={form}
                            onChange={(changes) => change(at, changes)}
                          />
                        )}
                        <div className="grid grid-cols-2 gap-x-3">
                          {OWN_AMOUNTS.map(([field, label, hint]) => (
                            <Field
                              key={field}
                              label={label}
                              hint={hint}
                              error={form.error('sizing', 'uses', at, field)}
                            >
                              {(control) => (
                                <TextInput
                                  {...control}
                                  inputMode="decimal"
                                  value={form.value('sizing', 'uses', at, field)}
                                  onValue={(text) =>
                                    form.set(numberFrom(text), 'sizing', 'uses', at, field)
                                  }
                                />
                              )}
                            </Field>
                          ))}
                        </div>
                      </td>
                    </tr>
                  )}
                </Fragment>
              )
            })}
          </tbody>
        </table>
      )}
      <div className="mt-1.5 flex flex-wrap gap-1.5">
        {free.map(({ id, name }) => (
          <button
            key={id}
            type="button"
            onClick={() =>
              set([...chosen, { use: id, level: 'usual', weight: 25, together: null }])
            }
            className="inline-flex min-h-11 items-center gap-1 rounded-sm border border-dashed border-rule-2 px-2 text-sm hover:bg-sheet-2"
          >
            <Plus size={15} aria-hidden /> {name}
          </button>
        ))}
      </div>
      {editing && <UseTableDialog table={table} onClose={() => setEditing(false)} />}
    </section>
  )
}

/** Figures of this very program, GB. */
const OWN_AMOUNTS = [
  ['peakGiB', 'Its own peak, GB', 'As seen or as its maker says; else by the table.'],
  ['limitGiB', 'It can use at most, GB', 'A 32-bit program about 4; or a limit set in it.'],
] as const

/** Whether a use has questions that a customer should be asked: they stay open while they are answered. */
const hasQuestions = (row: Use | undefined, integrated: boolean | null): boolean =>
  (row?.work === 'games' && integrated !== true) || (row !== undefined && row.work in SIZING_HINTS)
