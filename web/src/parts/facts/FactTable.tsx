import { moduleFigures, type Subject } from '@tembrix/core/reading/inputs'
import { figureName, figureValue } from './words'

/** What was read about one module, figure by figure. */
export function FactTable({ about }: { about: Subject }) {
  return (
    <table className="h-fit w-full border-collapse text-left text-sm">
      <tbody>
        {Object.entries(moduleFigures(about.said)).map(([what, value]) => (
          <tr key={what} className="border-t border-rule">
            <th scope="row" className="w-32 py-0.5 pr-2 font-medium">
              {figureName(what)}
            </th>
            <td className="py-0.5 break-words">{figureValue(what, value)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
