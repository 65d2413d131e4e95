import { WORK_PROFILES } from '@tembrix/core/judging/forecast'
import {
  STARTING_USES,
  type UseTable,
  UseTable as UseTableShape,
} from '@tembrix/core/judging/sizing'
import { Plus, RotateCcw, Trash2 } from 'lucide-react'
import { useChangeShopMutation, useShopQuery } from '../../base/data'
import { Faults, SaveForShop, useSaveForm } from '../../base/form'
import { numberFrom } from '../../base/format'
import { Button, Dialog, IconButton, Select, TextInput } from '../../base/ui'

interface Props {
  table: UseTable
  onClose: () => void
}

const AMOUNTS = ['light', 'usual', 'heavy'] as const
const BASE = [
  ['systemGiB', 'The system itself, GB'],
  ['reserveGiB', 'Kept free, GB'],
  ['graphicsGiB', 'Integrated graphics, GB'],
  ['growthPercent', 'More each year, %'],
] as const

/** The shop's own table of how much each use wants; rules of thumb age, so every figure can be changed. */
export function UseTableDialog({ table, onClose }: Props) {
  const { data: shop } = useShopQuery()
  const [change, { error }] = useChangeShopMutation()
  const form = useSaveForm(UseTableShape, table, async (uses) => {
    if (!shop) return
    const done = await change({ version: shop.version, uses })
    if (!done.error) onClose()
  })
  const uses = form.value('uses') as Record<string, unknown>[]
  const setUses = (next: readonly Record<string, unknown>[]) => form.set('uses', next)
  const startOver = () => {
    for (const [name, value] of Object.entries(STARTING_USES)) form.set(name, value)
  }

  const cell = (label: string, path: string, figure = true) => (
    <TextInput
      id={label}
      aria-label={label}
      aria-invalid={form.error(path) !== undefined}
      aria-describedby={undefined}
      value={form.value(path)}
      onValue={(text) => form.set(path, figure ? numberFrom(text) : text)}
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
      <form noValidate onSubmit={form.submit} className="flex flex-col gap-3">
        <Faults count={form.faults} />
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
          {BASE.map(([key, name]) => (
            <div key={key}>
              <p className="text-sm font-semibold">{name}</p>
              {cell(name, key)}
              {form.error(key) && (
                <p className="text-sm font-medium text-stop">{form.error(key)}</p>
              )}
            </div>
          ))}
        </div>
        <table className="w-full text-left text-sm max-md:block">
          <thead className="text-ink-2 max-md:sr-only">
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
          <tbody className="max-md:block">
            {uses.map((use, at) => {
              const name = String(use.name)
              const said = ['name', ...AMOUNTS]
                .map((part) => form.error(`uses.${at}.${part}`))
                .find(Boolean)
              return (
                <tr
                  key={String(use.id)}
                  className="border-t border-rule align-top max-md:flex max-md:flex-wrap max-md:gap-1 max-md:py-2"
                >
                  <td className="pr-1 max-md:basis-full">
                    {cell(`Name of use ${at + 1}`, `uses.${at}.name`, false)}
                    {said && <span className="font-medium text-stop">{said}</span>}
                  </td>
                  {AMOUNTS.map((level) => (
                    <td key={level} className="pr-1 max-md:w-16">
                      <span className="text-ink-2 md:hidden" aria-hidden>
                        {level}
                      </span>
                      {cell(`${name}, ${level}`, `uses.${at}.${level}`)}
                    </td>
                  ))}
                  <td className="max-md:flex-1 max-md:self-end">
                    <Select
                      aria-label={`Kind of work: ${name}`}
                      value={String(use.work)}
                      options={WORK_PROFILES.map(({ id, name: label }) => ({
                        value: id as string,
                        label,
                      }))}
                      onValue={(work) => form.set(`uses.${at}.work`, work)}
                    />
                  </td>
                  <td className="max-md:self-end">
                    <IconButton
                      label={`Remove ${name} from the table`}
                      onClick={() => setUses(uses.filter((_, n) => n !== at))}
                      look="remove"
                    >
                      <Trash2 size={17} aria-hidden />
                    </IconButton>
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
        <SaveForShop failed={error !== undefined} disabled={!shop} onClose={onClose}>
          <Button
            onClick={() =>
              setUses([
                ...uses,
                { id: crypto.randomUUID(), name: '', light: 1, usual: 2, heavy: 4, work: 'office' },
              ])
            }
          >
            <Plus size={17} aria-hidden /> Another use
          </Button>
          <Button look="quiet" onClick={startOver}>
            <RotateCcw size={17} aria-hidden /> The starting table
          </Button>
        </SaveForShop>
      </form>
    </Dialog>
  )
}
