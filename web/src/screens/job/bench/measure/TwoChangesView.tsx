import { changesBetween } from '@tembrix/core/bench/measure'
import { TwoChanges } from '@tembrix/core/things/records'
import { Split } from 'lucide-react'
import { useState } from 'react'
import { Button, Disclosure, Field, TextInput } from '../../../../base/ui'
import type { Verifying } from '../../base/file'
import { useJob } from '../../base/file'
import { CHANGE_WORDS } from './words'

/** The two changes an upgrade is made of, where they are to be measured one by one. */
export function TwoChangesView({ verifying }: { verifying: Verifying }) {
  const { record, set } = verifying
  const { now, planned } = useJob()
  const [typed, setTyped] = useState<TwoChanges | null>(null)
  const { changes } = record
  const [begun, setBegun] = useState(false)

  if (!changes) {
    const count = (one: typeof now) => Object.keys(one.assignment).length
    const altered = changesBetween(now, planned).map((change) => CHANGE_WORDS[change])
    const [one, other] = altered
    // More modules are one thing that is done, whatever it alters.
    const isMore = count(planned) > count(now)
    const both = !isMore && altered.length === 2 && one && other
    const suggested = both
      ? { first: one, second: other }
      : {
          first: 'new modules in place of the old',
          second: isMore ? `${count(planned)} instead of ${count(now)}` : 'more',
        }
    return (
      <Button
        look="quiet"
        className="self-start"
        onClick={() => {
          setBegun(true)
          set({ changes: suggested })
        }}
      >
        <Split size={17} aria-hidden /> Tell two changes apart
      </Button>
    )
  }

  const shown = typed ?? changes
  const parsed = TwoChanges.safeParse(shown)
  const field = (name: keyof TwoChanges, label: string) => (
    <Field label={label} error={parsed.error?.issues.find(({ path }) => path[0] === name)?.message}>
      {(control) => (
        <TextInput
          {...control}
          value={shown[name]}
          onValue={(text) => {
            const next = { ...shown, [name]: text }
            const fits = TwoChanges.safeParse(next)
            setTyped(fits.success ? null : next)
            if (fits.success) set({ changes: fits.data })
          }}
        />
      )}
    </Field>
  )
  return (
    <Disclosure
      className="bg-note-soft px-2"
      open={begun}
      summary={
        <span>
          Two changes told apart: <b className="font-semibold">{changes.first}</b> and{' '}
          <b className="font-semibold">{changes.second}</b>
        </span>
      }
    >
      <div className="grid grid-cols-2 gap-2">
        {field('first', 'First change')}
        {field('second', 'Second change')}
      </div>
      <p className="mt-1 text-sm text-ink-2">
        Each test is run before, with only the one, with only the other, and after both. So what
        each does can be told, and whether they need each other.
      </p>
      <Button
        look="quiet"
        className="mt-1"
        onClick={() => {
          setTyped(null)
          set({ changes: null })
        }}
      >
        Only before and after
      </Button>
    </Disclosure>
  )
}
