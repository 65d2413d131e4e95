import type { Diagnosis, FaultSearch } from '@tembrix/core/bench/diagnose'
import type { ReactNode } from 'react'
import { capital, list, plural } from '../../../../base/format'
import { type ModuleName, partsWords } from '../../base/trials'
import { FaultVerdict } from './FaultVerdict'
import { chancePercent, DONE_WORDS, LACK_WORDS, UNSEEN_WORDS } from './words'

interface Props {
  search: FaultSearch
  diagnosis: Omit<Diagnosis, 'doubtful'>
  name: ModuleName
}

/** The end of a search: a part named, put right, nothing found, or no more to be told with the parts at hand. */
export function EndOfSearch({ search, diagnosis, name }: Props) {
  const { named, cured, state, cannotExclude, suspects, lacks } = diagnosis
  const { trials, suspicion } = search
  if (named) {
    const { modules } = suspicion.bench
    return <FaultVerdict {...named} trials={trials} modules={modules} name={name} />
  }
  if (cured) {
    return (
      <Verdict title="Put right">
        <p className="mt-1 text-lg">
          Since {list(cured.done.map((one) => DONE_WORDS[one]))} it has passed as it stands, as
          often as it takes to tell that from luck. {cureWords(cured.parts, name)}
        </p>
        <p className="mt-1">
          Test it before it is handed over, as the job asks for.
          {cured.done.includes('clear-setup') &&
            ' The setup is at its defaults: put back what the customer had set, one value at a time.'}
        </p>
      </Verdict>
    )
  }
  if (state === 'nothing') {
    return (
      <Verdict title="The fault has not shown again" isOpen>
        <p className="mt-1 text-lg">
          {plural(trials.length - 1, 'trial')} since, all passed: nothing is wrong that shows in one
          of three trials or oftener. Nothing is named.
        </p>
        <p className="mt-1">
          Cannot be excluded:{' '}
          {list(
            cannotExclude.map((one) => UNSEEN_WORDS[one]),
            'or',
          )}
          . Ask the customer when it happens, in which program, after how long; then make it so in a
          trial of your own.
        </p>
      </Verdict>
    )
  }
  const [first] = suspects
  return (
    <Verdict title="No trial tells more with the parts at hand" isOpen>
      <p className="mt-1 text-lg">
        Likeliest, and not proven: {partsWords(first?.parts ?? [], name)},{' '}
        {chancePercent(first?.chance ?? 0)}.
      </p>
      {lacks.map((lack) => (
        <p key={lack}>{LACK_WORDS[lack]}</p>
      ))}
    </Verdict>
  )
}

function cureWords(parts: readonly string[], name: ModuleName): string {
  const said = list(
    parts.map((part) => partsWords([part], name)),
    'or',
  )
  if (parts.length < 2) return `${capital(said)}.`
  return `Either ${said}; which it was does not matter now.`
}

interface VerdictProps {
  title: string
  /** Nothing is proven. */
  isOpen?: boolean
  children: ReactNode
}

function Verdict({ title, isOpen = false, children }: VerdictProps) {
  const look = isOpen ? 'border-risk-line bg-risk-soft' : 'border-act bg-act-soft'
  return (
    <section aria-label="Verdict" className={`border-l-8 px-4 py-3 ${look}`}>
      <h3 className="text-2xl leading-tight font-semibold">{title}</h3>
      {children}
    </section>
  )
}
