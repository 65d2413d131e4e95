import { comesAndGoes, type Made, passedOnlyCold } from '@tembrix/core/bench/diagnose'
import { stoodBySince } from '@tembrix/core/shop/handover'
import type { ModuleRecord } from '@tembrix/core/things/records'
import { formatISO } from 'date-fns'
import { useEarlierVisitsQuery } from '../../../../base/data'
import { capital } from '../../../../base/format'
import { useJob } from '../../base/file'
import { partsWords } from '../../base/trials'
import { ReplaceBad } from './ReplaceBad'
import { SupplierNote } from './SupplierNote'
import { useNote } from './useNote'
import { VERDICT_PROMISES, type VerdictFacts } from './verdictPromises'
import { chancePercent } from './words'

/** What to do where it is no part of the memory. */
const ADVICE: Readonly<Record<string, string>> = {
  machine:
    'No module and no slot is to blame: each was left out in turn and it stayed. Look for the power supply, the processor and its socket, and the board; put the old memory back before the machine goes to whoever repairs boards.',
}

interface Props {
  parts: readonly string[]
  chance: number
  trials: readonly Made[]
  /** All modules there are, as `moduleId unit`. */
  modules: readonly string[]
  name: (module: string) => string
}

/** The part at fault by its name, how sure that is, and what to do. */
export function FaultVerdict({ parts, chance, trials, modules, name }: Props) {
  const { file, machine, planned, pieces } = useJob()
  const { data: earlier = [] } = useEarlierVisitsQuery(file.id)
  const bad = parts.filter((part) => part.startsWith('module ')).map((part) => part.slice(7))
  const slot = parts.some((part) => part.startsWith('slot '))
  const socket = slot && (machine.kind === 'desktop' || machine.kind === 'workstation')
  const factsOf = (module: string | null): VerdictFacts => {
    const [id = '', unit] = (module ?? '').split(' ')
    const piece = pieces.get(id) as Partial<ModuleRecord> | undefined
    const slot = Object.entries(planned.assignment).find(
      ([, held]) => held.moduleId === id && String(held.unit) === unit,
    )?.[0]
    const today = formatISO(new Date(), { representation: 'date' })
    const serial = piece?.serialNumber ?? ''
    const since = slot ? stoodBySince(earlier, { slot, serial }, today) : null
    return {
      warrantyUntil: piece?.warrantyUntil ?? since?.maker ?? null,
      ours: since?.shop ? { until: since.shop, number: since.number } : null,
      today,
      trials,
      others: modules.filter((one) => !bad.includes(one)),
      name,
    }
  }
  return (
    <section aria-label="Verdict" className="border-l-8 border-act bg-act-soft px-4 py-3">
      <p className="text-sm text-ink-2">Found, {chancePercent(chance)} sure</p>
      <h3 className="text-2xl leading-tight font-semibold">{capital(partsWords(parts, name))}</h3>
      <p className="mt-1 text-lg">
        {ADVICE[parts[0] ?? '']}
        {parts[0] === 'machine' &&
          comesAndGoes(trials) &&
          ' It comes and goes: it shows in some trials and not in others, whatever is in.'}
        {socket &&
          'Before the slot is given up: check the processor’s seating, the pins of its socket and whether the cooler is too tight. '}
        {slot && 'Leave the slot empty, or have the board seen to. '}
        {slot && VERDICT_PROMISES.sound(factsOf(null))}
        {bad.length === 0 &&
          !slot &&
          !ADVICE[parts[0] ?? ''] &&
          'Plan around it, and tell the customer why.'}
      </p>
      {passedOnlyCold(trials) && (
        <p className="mt-1 text-ink-2">
          Whatever passed was started from cold. A fault that shows only when warm would have passed
          too: the memory test tells.
        </p>
      )}
      {bad.map((module) => (
        <BadPart key={module} module={module} trials={trials} facts={factsOf(module)} />
      ))}
    </section>
  )
}

interface BadPartProps {
  module: string
  trials: readonly Made[]
  facts: VerdictFacts
}

/** A bad module: who stands by it, what they are told, and another in its place. */
function BadPart({ module, trials, facts }: BadPartProps) {
  const evidence = useNote(module, trials)
  return (
    <>
      <p className="mt-1 text-lg">{VERDICT_PROMISES.ours(facts)}</p>
      <p className="mt-1 text-lg">
        {VERDICT_PROMISES.exchange(facts) ||
          'No warranty of its maker is on record: look for its receipt, or ask the supplier. What to tell them:'}
      </p>
      <SupplierNote text={evidence} />
      <ReplaceBad module={module} evidence={evidence} ours={facts.ours} />
    </>
  )
}
