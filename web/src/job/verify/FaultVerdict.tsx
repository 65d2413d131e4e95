import type { Made } from '@tembrix/core/diagnose'
import { SupplierNote } from './SupplierNote'
import { capital, partsWords, percent } from './words'

interface Props {
  parts: readonly string[]
  chance: number
  trials: readonly Made[]
  name: (module: string) => string
}

/** The part at fault by its name, how sure that is, and what to do. */
export function FaultVerdict({ parts, chance, trials, name }: Props) {
  const seats = parts.every((part) => part.startsWith('seat '))
  const bad = parts.filter((part) => part.startsWith('module ')).map((part) => part.slice(7))
  const slot = parts.some((part) => part.startsWith('slot '))
  return (
    <section aria-label="Verdict" className="border-l-8 border-act bg-act-soft px-4 py-3">
      <p className="text-sm text-ink-2">Found, {percent(chance)} sure</p>
      <h3 className="text-2xl leading-tight font-semibold">{capital(partsWords(parts, name))}</h3>
      <p className="mt-1 text-lg">
        {seats && 'It is home now. Test it once more with everything in, then go on.'}
        {bad.length > 0 && 'Exchange it under warranty. For the supplier:'}
        {slot && 'Leave the slot empty, or have the board seen to; the modules are sound.'}
        {!seats && bad.length === 0 && !slot && 'Plan around it, and tell the customer why.'}
      </p>
      {bad.map((module) => (
        <SupplierNote key={module} module={module} trials={trials} />
      ))}
    </section>
  )
}
