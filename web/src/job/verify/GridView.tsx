import { type GridEffects, gridEffects } from '@tembrix/core/measure'
import { RunFigure } from '@tembrix/core/records'
import { useState } from 'react'
import { Field, numberFrom, Select, TextInput } from '../../ui'
import { times } from './words'

type Better = 'higher' | 'lower'

const CELLS = ['old, one', 'old, two', 'new, one', 'new, two'] as const

/** Four configurations in a grid: what the new kind does, what the second module does, and whether they need each other. */
export function GridView() {
  const [names, setNames] = useState({
    first: 'new instead of old modules',
    second: 'two instead of one',
  })
  const [texts, setTexts] = useState<string[]>(['', '', '', ''])
  const [better, setBetter] = useState<Better>('higher')
  const read = texts.map(runsIn)
  const cells = read.map(({ runs }) => runs)
  const effects = read.every(({ fault }) => fault === undefined)
    ? gridEffects({
        cells: [
          [cells[0] ?? [], cells[1] ?? []],
          [cells[2] ?? [], cells[3] ?? []],
        ],
        better,
      })
    : null
  return (
    <details className="border-t border-rule">
      <summary className="flex min-h-11 cursor-pointer items-center font-semibold">
        Which of two changes did it? A grid
      </summary>
      <p className="mb-2 text-sm text-ink-2">
        The same test in all four configurations, two runs each at least. It is reckoned here and
        not kept.
      </p>
      <div className="grid grid-cols-2 gap-2">
        <Field label="First change">
          {(control) => (
            <TextInput
              {...control}
              value={names.first}
              onValue={(first) => setNames({ ...names, first })}
            />
          )}
        </Field>
        <Field label="Second change">
          {(control) => (
            <TextInput
              {...control}
              value={names.second}
              onValue={(second) => setNames({ ...names, second })}
            />
          )}
        </Field>
        {CELLS.map((cell, at) => (
          <Field key={cell} label={`Runs: ${cell}`} error={read[at]?.fault}>
            {(control) => (
              <TextInput
                {...control}
                value={texts[at]}
                onValue={(text) => setTexts(texts.map((one, n) => (n === at ? text : one)))}
              />
            )}
          </Field>
        ))}
        <Field label="Better is">
          {(control) => (
            <Select
              {...control}
              value={better}
              options={[
                { value: 'higher', label: 'higher' },
                { value: 'lower', label: 'lower' },
              ]}
              onValue={setBetter}
            />
          )}
        </Field>
      </div>
      {effects ? (
        <Effects effects={effects} names={names} />
      ) : (
        <p className="py-2 text-sm">Two runs in each of the four are needed.</p>
      )}
    </details>
  )
}

function runsIn(text: string): { runs: number[]; fault?: string } {
  const read = text
    .split(/[\s;]+/)
    .filter(Boolean)
    .map((one) => RunFigure.safeParse(numberFrom(one)))
  const bad = read.findIndex((one) => !one.success)
  if (bad >= 0) return { runs: [], fault: `Run ${bad + 1} is no figure above 0.` }
  return { runs: read.map((one) => one.data as number) }
}

function Effects({
  effects,
  names,
}: {
  effects: GridEffects
  names: { first: string; second: string }
}) {
  const rows = [
    { name: names.first, effect: effects.first },
    { name: names.second, effect: effects.second },
    { name: 'each with the other, beyond both alone', effect: effects.interaction },
  ]
  return (
    <table className="my-2 w-full text-[0.93rem]" aria-label="Effects">
      <thead className="text-sm text-ink-2">
        <tr>
          {['Change', 'effect', '95 % interval', ''].map((name) => (
            <th key={name} className="text-left font-normal">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map(({ name, effect }) => (
          <tr key={name} className="border-t border-rule">
            <th scope="row" className="text-left font-normal">
              {name}
            </th>
            <td className="font-semibold">{times(effect.ratio)}</td>
            <td>
              {times(effect.low)} to {times(effect.high)}
            </td>
            <td>{effect.sure ? 'sure' : 'cannot tell'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
