import type { Forecast } from '@tembrix/core/forecast'
import type { Option } from '@tembrix/core/plan'
import { Fragment, useMemo, useState } from 'react'
import { capacity, money, plural, Select, tidy } from '../../../base/ui'
import { modeWord } from '../../../parts/board'
import type { Need } from '../file'
import type { Beside } from './useBeside'
import { gainInShort } from './words'

interface Props {
  options: readonly Option[]
  current: Option | undefined
  need: Need
  besideOf: (option: Option) => Beside
  onChoose: (option: Option) => void
}

/** Rows shown until all are asked for. */
const FIRST = 8

/** What options can be sorted by, the best first. */
const SORTS: Record<string, { label: string; worth: (one: Row) => number }> = {
  cost: { label: 'cost', worth: ({ option }) => -option.cost },
  usable: { label: 'memory', worth: ({ option }) => option.usableGiB },
  gain: { label: 'expected gain', worth: ({ gain }) => gain?.median ?? 0 },
  credit: { label: 'credit for the old modules', worth: ({ beside }) => beside.credit },
  days: { label: 'days until it is here', worth: ({ beside }) => -(beside.leadDays ?? 999) },
  warranty: { label: 'warranty', worth: ({ beside }) => beside.warrantyMonths ?? 0 },
  listed: { label: 'validated list', worth: ({ beside }) => (beside.listed ? 1 : 0) },
}

interface Row {
  option: Option
  gain: Forecast | null
  beside: Beside
}

export function OptionTable({ options, current, need, besideOf, onChoose }: Props) {
  const [all, setAll] = useState(false)
  const [by, setBy] = useState('cost')
  const rows = useMemo(
    () =>
      options.map(
        (option): Row => ({
          option,
          gain: need.gainOf(option.evaluation),
          beside: besideOf(option),
        }),
      ),
    [options, need, besideOf],
  )
  const worth = (SORTS[by] ?? SORTS.cost)?.worth ?? (() => 0)
  const sorted = rows.toSorted((a, b) => worth(b) - worth(a) || a.option.cost - b.option.cost)
  const shown = all ? sorted : sorted.slice(0, FIRST)
  return (
    <>
      <p className="flex items-center gap-2 text-sm whitespace-nowrap">
        Sorted by
        <Select
          aria-label="Sort the options by"
          value={by}
          options={Object.entries(SORTS).map(([value, { label }]) => ({ value, label }))}
          onValue={setBy}
        />
      </p>
      <table className="w-full border-collapse text-right text-[0.9rem]">
        <thead className="text-[0.8rem] text-ink-2">
          <tr className="border-b border-rule-2">
            <th className="py-1 text-left font-semibold">Cost</th>
            <th className="pl-2 font-semibold">Usable</th>
            <th className="pl-2 font-semibold">Channels</th>
            <th className="pl-2 font-semibold">MT/s</th>
            <th className="pl-2 font-semibold">ns</th>
            <th className="pl-2 font-semibold">Gain</th>
          </tr>
        </thead>
        <tbody>
          {shown.map(({ option, gain, beside }) => {
            const { run, mode } = option.evaluation
            return (
              <Fragment
                key={`${option.cost} ${option.usableGiB} ${option.wholePeakGBs} ${option.firstWordNs}`}
              >
                <tr className={option === current ? 'bg-gold-soft' : ''}>
                  <td className="text-left">
                    <button
                      type="button"
                      aria-pressed={option === current}
                      className="min-h-9 w-full text-left font-medium underline"
                      onClick={() => onChoose(option)}
                    >
                      {money(option.cost)}
                      <span className="sr-only">: put on the board</span>
                    </button>
                  </td>
                  <td className="pl-2">{capacity(option.usableGiB)}</td>
                  <td className="pl-2">{modeWord(mode).replace(' channel', '')}</td>
                  <td className="pl-2">{run?.dataRate}</td>
                  <td className="pl-2">{tidy(option.firstWordNs, 1)}</td>
                  <td className="pl-2 whitespace-nowrap">{gain ? gainInShort(gain) : '–'}</td>
                </tr>
                <tr className={`border-b border-rule ${option === current ? 'bg-gold-soft' : ''}`}>
                  <td colSpan={6} className="pb-1 text-left text-[0.8rem] leading-tight text-ink-2">
                    {besideWords(beside)}
                  </td>
                </tr>
              </Fragment>
            )
          })}
        </tbody>
      </table>
      {options.length > FIRST && (
        <button type="button" className="min-h-11 underline" onClick={() => setAll(!all)}>
          {all ? 'Only the first' : `All ${options.length}`}
        </button>
      )}
    </>
  )
}

function besideWords({ credit, leadDays, warrantyMonths, listed }: Beside): string {
  return [
    credit > 0 ? `credit ${money(credit)}` : '',
    leadDays === null
      ? 'arrival unknown'
      : leadDays === 0
        ? 'in the shop'
        : plural(leadDays, 'day'),
    warrantyMonths === null ? '' : `warranty ${plural(warrantyMonths, 'month')}`,
    listed === null ? '' : listed ? 'listed' : 'not listed',
  ]
    .filter(Boolean)
    .join(' · ')
}
