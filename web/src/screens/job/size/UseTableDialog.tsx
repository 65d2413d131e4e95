import { WORK_PROFILES } from '@tembrix/core/forecast'
import { STARTING_USES, type UseTable, UseTable as UseTableShape } from '@tembrix/core/sizing'
import { Plus, RotateCcw, Trash2 } from 'lucide-react'
import { useState } from 'react'
import { useChangeShopMutation, useShopQuery } from '../../../base/data'
import { Button, Dialog, numberFrom, Select, TextInput } from '../../../base/ui'

interface Props {
  table: UseTable
  onClose: () => void
}

const AMOUNTS = ['light', 'usual', 'heavy'] as const
const BASE = [
  ['systemGiB', 'The system itself'],
  ['reserveGiB', 'Kept free'],
  ['graphicsGiB', 'Integrated graphics'],
  ['growthPercent', 'More each year, %'],
] as const

type Draft = { [key in (typeof BASE)[number][0]]: unknown } & { uses: Record<string, unknown>[] }

/** The shop's own table of how much each use wants; rules of thumb age, so every figure can be changed. */
export function UseTableDialog({ table, onClose }: Props) {
  const { data: shop } = useShopQuery()
  const [change, { error }] = useChangeShopMutation()
  const [draft, setDraft] = useState<Draft>(table)
  const parsed = UseTableShape.safeParse(draft)
  const fault = (...path: (string | number)[]) =>
    parsed.error?.issues.find((issue) => issue.path.join() === path.join())?.message

  const setUse = (at: number, changes: Record<string, unknown>) =>
    setDraft({
      ...draft,
      uses: draft.uses.map((one, n) => (n === at ? { ...one, ...changes } : one)),
    })

  async function save() {
    if (!shop || !parsed.success) return
    const done = await change({ version: shop.version, uses: parsed.data })
    if (!done.error) onClose()
  }

  const cell = (label: string, value: unknown, faulty: boolean, set: (text: string) => void) => (
    <TextInput
      id={label}
      aria-label={label}
      aria-invalid={faulty}
      aria-describedby={undefined}
      value={value}
      onValue={set}
    />
  )
  return (
    <Dialog
      open
      onOpen={onClose}
      wide
      title="The shop’s table of uses"
      intro="GB each use adds to the system. Every job’s demand is calculated from it."
    >
      <div className="mb-3 grid grid-cols-3 gap-3">
        {BASE.map(([key, name]) => (
          <div key={key}>
            <p className="text-sm font-semibold">{name}, GB</p>
            {cell(`${name}, GB`, draft[key], fault(key) !== undefined, (text) =>
              setDraft({ ...draft, [key]: numberFrom(text) }),
            )}
          </div>
        ))}
      </div>
      <table className="w-full text-left text-sm">
        <thead className="text-ink-2">
          <tr>
            <th className="font-normal">Use</th>
            {AMOUNTS.map((level) => (
              <th key={level} className="w-20 font-normal">
                {level}
              </th>
            ))}
            <th className="w-64 font-normal">Kind of work, for forecasts</th>
            <th className="w-11" />
          </tr>
        </thead>
        <tbody>
          {draft.uses.map((use, at) => {
            const name = String(use.name)
            const said = fault('uses', at, 'name') ?? fault('uses', at, 'heavy')
            return (
              <tr key={String(use.id)} className="border-t border-rule align-top">
                <td className="pr-1">
                  {cell(
                    `Name of use ${at + 1}`,
                    use.name,
                    fault('uses', at, 'name') !== undefined,
                    (text) => setUse(at, { name: text }),
                  )}
                  {said && <span className="font-medium text-stop">{said}</span>}
                </td>
                {AMOUNTS.map((level) => (
                  <td key={level} className="pr-1">
                    {cell(
                      `${name}, ${level}`,
                      use[level],
                      fault('uses', at, level) !== undefined,
                      (text) => setUse(at, { [level]: numberFrom(text) }),
                    )}
                  </td>
                ))}
                <td>
                  <Select
                    aria-label={`Kind of work: ${name}`}
                    value={String(use.work)}
                    options={WORK_PROFILES.map(({ id, name: label }) => ({
                      value: id as string,
                      label,
                    }))}
                    onValue={(work) => setUse(at, { work })}
                  />
                </td>
                <td>
                  <button
                    type="button"
                    aria-label={`Remove ${name} from the table`}
                    onClick={() =>
                      setDraft({ ...draft, uses: draft.uses.filter((_, n) => n !== at) })
                    }
                    className="grid size-11 place-items-center rounded-sm hover:bg-stop-soft"
                  >
                    <Trash2 size={17} aria-hidden />
                  </button>
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {error && (
        <p role="alert" className="mt-2 font-medium text-stop">
          The table was not saved: somebody may have changed it meanwhile. Close this and try again.
        </p>
      )}
      <div className="mt-3 flex flex-wrap justify-end gap-3">
        <Button
          className="mr-auto"
          onClick={() =>
            setDraft({
              ...draft,
              uses: [
                ...draft.uses,
                { id: crypto.randomUUID(), name: '', light: 1, usual: 2, heavy: 4, work: 'office' },
              ],
            })
          }
        >
          <Plus size={17} aria-hidden /> Another use
        </Button>
        <Button look="quiet" onClick={() => setDraft(STARTING_USES)}>
          <RotateCcw size={17} aria-hidden /> The starting table
        </Button>
        <Button onClick={onClose}>Cancel</Button>
        <Button look="main" disabled={!parsed.success || !shop} onClick={save}>
          Save for the shop
        </Button>
      </div>
    </Dialog>
  )
}
