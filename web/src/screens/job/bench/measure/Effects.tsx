import type { GridEffects } from '@tembrix/core/bench/measure'
import type { TwoChanges } from '@tembrix/core/things/records'
import { times } from './words'

/** What each of two changes does, and whether they need each other. */
export function Effects({ effects, changes }: { effects: GridEffects; changes: TwoChanges }) {
  const rows = [
    { name: changes.first, effect: effects.first },
    { name: changes.second, effect: effects.second },
    { name: 'each with the other, beyond both alone', effect: effects.interaction },
  ]
  return (
    <table className="my-1 w-full text-[0.93rem]" aria-label="Effects">
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
          <tr key={name} className="border-t border-rule align-top">
            <th scope="row" className="py-0.5 pr-2 text-left font-normal">
              {name}
            </th>
            <td className="pr-2 font-semibold whitespace-nowrap">{times(effect.ratio)}</td>
            <td className="pr-2 whitespace-nowrap">
              {times(effect.low)} to {times(effect.high)}
            </td>
            <td className="whitespace-nowrap">{effect.sure ? 'sure' : 'cannot tell'}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
