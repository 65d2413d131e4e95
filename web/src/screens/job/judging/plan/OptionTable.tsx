import type { Forecast } from '@tembrix/core/judging/forecast'
import type { PlanOption } from '@tembrix/core/judging/plan'
import { useMemo } from 'react'
import { capacity, money, plural, tidy } from '../../../../base/format'
import { type Column, DataTable } from '../../../../base/table'
import { modeWord } from '../../../../parts/board'
import type { Beside } from './useBeside'
import { gainInShort } from './words'

interface Props {
  options: readonly PlanOption[]
  current: PlanOption | undefined
  gainOf: (option: PlanOption) => Forecast | null
  besideOf: (option: PlanOption) => Beside
  onChoose: (option: PlanOption) => void
}

interface Row {
  option: PlanOption
  gain: Forecast | null
  beside: Beside
}

/** Every option with its figures and what speaks for it besides; one is put on the board by its cost. */
export function OptionTable({ options, current, gainOf, besideOf, onChoose }: Props) {
  const rows = useMemo(
    () =>
      options.map(
        (option): Row => ({
          option,
          gain: gainOf(option),
          beside: besideOf(option),
        }),
      ),
    [options, gainOf, besideOf],
  )
  const columns = useMemo(() => [costOf(current, onChoose), ...FIGURES], [current, onChoose])
  return (
    <div className="flex max-h-[32rem] flex-col">
      <DataTable
        name="Options"
        rows={rows}
        columns={columns}
        keyOf={({ option }) =>
          `${option.cost} ${option.usableGiB} ${option.wholePeakGBs} ${option.firstWordNs}`
        }
        rowLook={({ option }) => (option === current ? 'bg-gold-soft' : '')}
      />
    </div>
  )
}

const costOf = (
  current: PlanOption | undefined,
  onChoose: (option: PlanOption) => void,
): Column<Row> => ({
  id: 'cost',
  name: 'Cost',
  fixed: true,
  narrow: 'head',
  sortBy: ({ option }) => option.cost,
  cell: ({ option }) => (
    <button
      type="button"
      aria-pressed={option === current}
      className="min-h-11 min-w-11 text-left font-medium underline"
      onClick={() => onChoose(option)}
    >
      {money(option.cost)}
      <span className="sr-only">: put on the board</span>
    </button>
  ),
})

const FIGURES: readonly Column<Row>[] = [
  {
    id: 'usable',
    name: 'Usable',
    figures: true,
    sortBy: ({ option }) => option.usableGiB,
    cell: ({ option }) => capacity(option.usableGiB),
  },
  {
    id: 'channels',
    name: 'Channels',
    sortBy: ({ option }) => modeWord(option.evaluation.mode),
    cell: ({ option }) => modeWord(option.evaluation.mode).replace(' channel', ''),
  },
  {
    id: 'speed',
    name: 'MT/s',
    figures: true,
    sortBy: ({ option }) => option.evaluation.run?.dataRate ?? null,
    cell: ({ option }) => option.evaluation.run?.dataRate,
  },
  {
    id: 'latency',
    name: 'Latency, ns',
    figures: true,
    sortBy: ({ option }) => option.firstWordNs,
    cell: ({ option }) => tidy(option.firstWordNs, 1),
  },
  {
    id: 'gain',
    name: 'Expected gain',
    figures: true,
    sortBy: ({ gain }) => gain?.median ?? null,
    cell: ({ gain }) => (gain ? gainInShort(gain) : '–'),
  },
  {
    id: 'credit',
    name: 'Credit',
    figures: true,
    sortBy: ({ beside }) => beside.credit,
    cell: ({ beside }) => (beside.credit > 0 ? money(beside.credit) : '–'),
  },
  {
    id: 'arrives',
    name: 'Here in',
    sortBy: ({ beside }) => beside.leadDays,
    cell: ({ beside }) => leadWords(beside.leadDays),
  },
  {
    id: 'warranty',
    name: 'Warranty',
    sortBy: ({ beside }) => beside.warrantyMonths,
    cell: ({ beside: { warrantyMonths } }) =>
      warrantyMonths === null ? '–' : plural(warrantyMonths, 'month'),
  },
  {
    id: 'listed',
    name: 'Validated',
    sortBy: ({ beside }) => (beside.listed === null ? null : Number(beside.listed)),
    cell: ({ beside }) => (beside.listed === null ? '–' : beside.listed ? 'listed' : 'not listed'),
  },
]

function leadWords(days: number | null): string {
  if (days === null) return 'unknown'
  return days === 0 ? 'in the shop' : plural(days, 'day')
}
