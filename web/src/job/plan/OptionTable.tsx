import type { Option } from '@tembrix/core/plan'
import { useState } from 'react'
import { modeWord } from '../../board'
import { capacity, money, tidy } from '../../ui'
import type { Need } from '../file'
import { gainInShort } from './words'

interface Props {
  options: readonly Option[]
  current: Option | undefined
  need: Need
  onChoose: (option: Option) => void
}

/** Rows shown until all are asked for. */
const FIRST = 8

export function OptionTable({ options, current, need, onChoose }: Props) {
  const [all, setAll] = useState(false)
  const shown = all ? options : options.slice(0, FIRST)
  return (
    <>
      <table className="w-full border-collapse text-right text-[0.9rem]">
        <thead className="text-[0.8rem] text-ink-2">
          <tr className="border-b border-rule-2">
            <th className="py-1 text-left font-semibold">Cost</th>
            <th className="font-semibold">Usable</th>
            <th className="font-semibold">Channels</th>
            <th className="font-semibold">MT/s</th>
            <th className="font-semibold">ns</th>
            <th className="font-semibold">Gain</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((option) => {
            const { run, mode } = option.evaluation
            const gain = need.gainOf(option.evaluation)
            return (
              <tr
                key={`${option.cost} ${option.usableGiB} ${option.wholePeakGBs} ${option.firstWordNs}`}
                className={`border-b border-rule ${option === current ? 'bg-gold-soft' : ''}`}
              >
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
                <td>{capacity(option.usableGiB)}</td>
                <td>{modeWord(mode).replace(' channel', '')}</td>
                <td>{run?.dataRate}</td>
                <td>{tidy(option.firstWordNs, 1)}</td>
                <td className="whitespace-nowrap">{gain ? gainInShort(gain) : '–'}</td>
              </tr>
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
