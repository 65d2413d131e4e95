import { type FaultSearch, soFar } from '@tembrix/core/bench/diagnose'
import { useMemo } from 'react'
import { capital, list } from '../../../../base/format'
import { Button } from '../../../../base/ui'
import { type ModuleName, partsWords } from '../../base/trials'
import { missingWords } from './missingWords'
import { chancePercent, UNSEEN_WORDS } from './words'

interface Props {
  search: FaultSearch
  name: ModuleName
  onGoOn: () => void
}

/** The search, stopped before its end: what is known by now, and what is not. */
export function StopHere({ search, name, onGoOn }: Props) {
  const { cleared, leading, missing, passes, unseen } = useMemo(() => soFar(search), [search])
  const parts = partsWords(leading.parts, name)
  const open = leading.isCured
    ? [
        `it has passed too seldom since to tell a cure from luck${passes > 0 ? `: ${passes} more are missing` : ''}`,
      ]
    : missingWords(missing, leading.parts, name)
  return (
    <section aria-label="Stopped" className="border-l-8 border-risk-line bg-risk-soft px-4 py-3">
      <h3 className="text-xl font-semibold">Stopped here, nothing proven</h3>
      <h4 className="mt-2 font-semibold">Known</h4>
      <ul className="list-disc pl-6">
        <li>
          {leading.isCured ? `It seems to be put right: ${parts}` : `Likeliest: ${parts}`} (
          {chancePercent(leading.chance)}).
        </li>
        {cleared.length > 0 && (
          <li>
            Cleared by trials:{' '}
            {list(
              cleared.map((part) => {
                const [kind, ...rest] = part.split(' ')
                return kind === 'module' ? name(rest.join(' ')) : part
              }),
            )}
            .
          </li>
        )}
      </ul>
      <h4 className="mt-2 font-semibold">Not known</h4>
      <ul className="list-disc pl-6">
        {open.map((one) => (
          <li key={one}>{capital(one)}.</li>
        ))}
        {unseen.map((one) => (
          <li key={one}>Not excluded: {UNSEEN_WORDS[one]}.</li>
        ))}
      </ul>
      <p className="mt-2">
        Do not return or charge a part on this. Tell the customer what is open, and note it in the
        report.
      </p>
      <Button className="mt-2" onClick={onGoOn}>
        Go on looking
      </Button>
    </section>
  )
}
