import { BESIDES, type TuneBesides } from '@tembrix/core/things/records'
import { Disclosure, Field, TextInput } from '../../../../base/ui'
import type { Tuning } from './useTune'
import { BESIDE_WORDS } from './words'

const NONE = { found: '', set: '' }
const NOTHING: TuneBesides = {
  die: '',
  commandRate: NONE,
  refreshInterval: NONE,
  fabricClock: NONE,
}
const MOST = 60

/** Values beside speed and timings, as found and as set, and the kind of die where it is known. */
export function Besides({ tuning: { besides, setBesides } }: { tuning: Tuning }) {
  const noted = besides ?? NOTHING
  const text = (label: string, value: string, onValue: (text: string) => void, hint?: string) => (
    <Field label={label} hint={hint}>
      {(control) => (
        <TextInput {...control} value={value} onValue={(typed) => onValue(typed.slice(0, MOST))} />
      )}
    </Field>
  )
  return (
    <Disclosure
      className="border-t border-rule pt-1"
      open={besides !== null}
      summary={<span className="font-semibold">Command rate, refresh, fabric clock, die</span>}
    >
      <div className="flex flex-col gap-2 pb-2">
        <p className="text-sm text-ink-2">
          One change at a time here too, each with its test as a rung of its own. A longer refresh
          interval fails warm first: test it warm.
        </p>
        {BESIDES.map((one) => (
          <fieldset key={one} className="grid grid-cols-2 gap-x-3">
            <legend className="text-sm font-semibold">{BESIDE_WORDS[one].name}</legend>
            {text('as found', noted[one].found, (found) =>
              setBesides({ ...noted, [one]: { ...noted[one], found } }),
            )}
            {text('as set', noted[one].set, (set) =>
              setBesides({ ...noted, [one]: { ...noted[one], set } }),
            )}
            <p className="col-span-2 text-sm text-ink-2">{BESIDE_WORDS[one].means}</p>
          </fieldset>
        ))}
        {text(
          'Kind of die',
          noted.die,
          (die) => setBesides({ ...noted, die }),
          'Where somebody knows it: it decides which timings scale with voltage and how far.',
        )}
      </div>
    </Disclosure>
  )
}
