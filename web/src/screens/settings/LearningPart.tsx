import { LEARNING, profileOf, type ShopResult, sortedOut } from '@tembrix/core/judging/forecast'
import type { Learning, Shop } from '@tembrix/core/things/records'
import { RotateCcw } from 'lucide-react'
import { Link } from 'react-router'
import { useChangeShopMutation, useLearnedQuery } from '../../base/data'
import { day, plural, tidy } from '../../base/format'
import { Button, Check, ErrorText } from '../../base/ui'

/** Whether forecasts learn from the shop's own results, from when on, and the results that are unlike the others. */
export function LearningPart({ shop }: { shop: Pick<Shop, 'version' | 'learning'> }) {
  const { learning } = shop
  const [change, { error, isLoading }] = useChangeShopMutation()
  const { data } = useLearnedQuery(undefined)
  const { counted, setAside } = sortedOut(data?.results ?? [])
  const save = (fields: Partial<Learning>) =>
    change({ version: shop.version, learning: { ...learning, ...fields } })
  const ruleOn = ({ id }: ShopResult, ruling: boolean | null) => {
    if (id === undefined) return
    const { [id]: _, ...others } = learning.rulings
    save({ rulings: ruling === null ? others : { ...others, [id]: ruling } })
  }
  return (
    <section aria-label="Learning from results" className="border-b border-rule pb-3">
      <h2 className="text-lg font-semibold">Learning from results</h2>
      <Check
        label="Forecasts are moved by what this shop measured before and after"
        checked={learning.on}
        disabled={isLoading}
        onChecked={(on) => save({ on })}
      />
      {learning.on && (
        <>
          <p>
            {counted.length === 0
              ? 'No result counts yet.'
              : `${plural(counted.length, 'result')} of this shop count.`}{' '}
            {setAside.length > 0 && `${plural(setAside.length, 'result')} set aside.`}
            {learning.since && ` Counted from ${day(learning.since)} on.`}
          </p>
          <p className="text-sm text-ink-2">{LEARNING.reason}</p>
          {setAside.length > 0 && (
            <ul aria-label="Results set aside" className="my-2 flex flex-col gap-1">
              {setAside.map((result) => (
                <SetAside
                  key={result.id}
                  result={result}
                  disabled={isLoading}
                  onRule={(ruling) => ruleOn(result, ruling)}
                />
              ))}
            </ul>
          )}
          {(counted.length + setAside.length > 0 || learning.since) && (
            <Button
              className="mt-2"
              disabled={isLoading}
              onClick={() => save({ since: learning.since ? null : new Date().toISOString() })}
            >
              <RotateCcw size={17} aria-hidden />
              {learning.since ? 'Count all results again' : 'Begin again: no result so far counts'}
            </Button>
          )}
        </>
      )}
      {error && (
        <ErrorText>That was not saved: somebody changed it meanwhile. Try again.</ErrorText>
      )}
    </section>
  )
}

interface SetAsideProps {
  result: ShopResult
  disabled: boolean
  onRule: (ruling: boolean | null) => void
}

function SetAside({ result, disabled, onRule }: SetAsideProps) {
  const { work, ratio, jobId, counts } = result
  const faster = tidy((ratio - 1) * 100, 0)
  return (
    <li className="flex flex-wrap items-center gap-x-3 border-l-8 border-risk-line bg-risk-soft px-3 py-1">
      <span className="flex-1 basis-72">
        <b className="font-semibold">{profileOf(work).name}</b>: measured{' '}
        {ratio >= 1 ? `${faster} % faster` : `${tidy((1 - ratio) * 100, 0)} % slower`}
        {counts === false ? '; left out.' : ', unlike the others. Was it measured right?'}
      </span>
      {jobId && (
        <Link to={`/jobs/${jobId}/verify`} className="inline-flex min-h-11 items-center underline">
          To its job
        </Link>
      )}
      {counts === false ? (
        <Button look="quiet" disabled={disabled} onClick={() => onRule(null)}>
          Ask again
        </Button>
      ) : (
        <>
          <Button look="quiet" disabled={disabled} onClick={() => onRule(true)}>
            Count it
          </Button>
          <Button look="quiet" disabled={disabled} onClick={() => onRule(false)}>
            Leave it out
          </Button>
        </>
      )}
    </li>
  )
}
