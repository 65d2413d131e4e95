import type { Dispute } from '@tembrix/core/reading/evidence'
import type { Observation } from '@tembrix/core/reading/inputs'
import type { Source } from '@tembrix/core/things/model'
import type { Ruling } from '@tembrix/core/things/records'
import { Scale } from 'lucide-react'
import { useEffect, useState } from 'react'
import { list, numberFrom } from '../../../../base/format'
import { Button, callout, inputLook } from '../../../../base/ui'
import { figureValue } from '../../../../parts/facts'
import { useJob } from '../../base/file'
import { useIdentify } from './useIdentify'
import { disputeWords, WAY_NAMES } from './words'

/** What contradicts, each with its possible truths; the first answers to the number keys. */
export function Disputes() {
  const { evidence } = useJob()
  const { settle } = useIdentify()
  const { disputes } = evidence
  if (disputes.length === 0) return null
  return (
    <section aria-label="Conflicts" className="flex flex-col gap-2">
      <h3 className="flex items-center gap-2 font-semibold">
        <Scale size={18} aria-hidden className="text-risk" />
        {disputes.length === 1 ? '1 conflict' : `${disputes.length} conflicts`} to resolve
      </h3>
      {disputes.map((dispute, at) => (
        <DisputeView
          key={dispute.key}
          dispute={dispute}
          first={at === 0}
          onSettle={(value, source) => settle(dispute, value, source)}
        />
      ))}
    </section>
  )
}

interface Props {
  dispute: Dispute
  first: boolean
  onSettle: (value: Ruling['value'], source: Source) => void
}

function DisputeView({ dispute, first, onSettle }: Props) {
  const { readings } = useJob().file
  const nameOf = ({ input }: Observation) =>
    readings.find(({ id }) => id === input)?.name ?? 'the record'
  const { title, means } = disputeWords(dispute)
  const { options, ways, what, key } = dispute
  const [way, setWay] = useState<Source | null>(null)
  const [asked, setAsked] = useState(false)
  const [other, setOther] = useState('')
  const numeric = typeof options[0]?.value === 'number'
  /** One press must not record proof that is not there: first how it is known, then the value. */
  const choose = (value: Ruling['value']) => {
    if (way === null) setAsked(true)
    else onSettle(value, way)
  }
  useOptionKeys(first, options.length, (at) => {
    const option = options[at]
    if (option) choose(option.value)
  })
  const typed = numeric ? numberFrom(other) : null
  return (
    <div
      data-code={dispute.code}
      className={callout({ tone: 'risk', className: 'flex flex-col gap-2' })}
    >
      <div>
        <h4 className="font-semibold">{title}</h4>
        <p className="text-[0.93rem]">{means}</p>
      </div>
      <fieldset className="text-sm">
        <legend className={`font-semibold ${asked && way === null ? 'text-stop' : ''}`}>
          How do you know?{asked && way === null ? ' Choose one first.' : ''}
        </legend>
        <div className="mt-1 flex flex-wrap gap-1.5">
          {ways.map((one) => (
            <Button
              key={one}
              look={way === one ? 'main' : 'plain'}
              aria-pressed={way === one}
              className="px-2.5"
              onClick={() => setWay(one)}
            >
              {WAY_NAMES[one] ?? one}
            </Button>
          ))}
        </div>
      </fieldset>
      <div className="flex flex-wrap items-stretch gap-2">
        {options.map(({ value, claims }, at) => (
          <Button
            key={String(value)}
            className="flex-col items-start gap-0 py-1"
            onClick={() => choose(value)}
          >
            <span className="flex items-center gap-2">
              {first && (
                <kbd className="rounded-xs border border-rule-2 px-1 font-mono text-[0.8rem]">
                  {at + 1}
                </kbd>
              )}
              {figureValue(what, value)}
            </span>
            {claims.length > 0 && (
              <span className="text-[0.8rem] font-normal text-ink-2">
                {list([...new Set(claims.map(nameOf))])}
              </span>
            )}
          </Button>
        ))}
        {options.length === 0 && <Button onClick={() => choose(true)}>Ignore this value</Button>}
        {numeric && (
          <form
            className="flex gap-1"
            onSubmit={(event) => {
              event.preventDefault()
              if (typeof typed === 'number' && typed >= 0) choose(typed)
            }}
          >
            <input
              aria-label={`Another value: ${title}`}
              inputMode="decimal"
              placeholder="other"
              value={other}
              onChange={({ target }) => setOther(target.value)}
              id={`other-${key}`}
              className={`${inputLook} max-w-20`}
            />
            <Button
              type="submit"
              className="whitespace-nowrap"
              disabled={typeof typed !== 'number' || typed < 0}
            >
              Use this value
            </Button>
          </form>
        )}
      </div>
    </div>
  )
}

/** Number keys choose an option, unless something is typed or a module is in the hand. */
function useOptionKeys(active: boolean, count: number, choose: (at: number) => void): void {
  useEffect(() => {
    if (!active) return
    function keyed(event: KeyboardEvent) {
      const target = event.target as HTMLElement
      const typing = target.closest('input:not([type=checkbox]), textarea, select, [role=dialog]')
      if (typing || event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey) return
      const at = Number(event.key) - 1
      if (!(at >= 0 && at < count)) return
      event.preventDefault()
      choose(at)
    }
    window.addEventListener('keydown', keyed)
    return () => window.removeEventListener('keydown', keyed)
  })
}
