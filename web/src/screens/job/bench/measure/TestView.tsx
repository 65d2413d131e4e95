import type * as measure from '@tembrix/core/bench/measure'
import { compareFailures } from '@tembrix/core/bench/measure'
import { profileOf, WORK_PROFILES, type Work } from '@tembrix/core/judging/forecast'
import { channelPeakGBs } from '@tembrix/core/things/model'
import type { Measurement, TwoChanges } from '@tembrix/core/things/records'
import { useState } from 'react'
import { capital, plural, tidy } from '../../../../base/format'
import { Disclosure, Field, Select } from '../../../../base/ui'
import { configurationsOf } from '../../../../parts/configurations/configurations'
import type { Verifying } from '../../base/file'
import { useJob } from '../../base/file'
import { Effects } from './Effects'
import { Sessions } from './SessionView'
import { Verdict } from './Verdict'

type Tested = measure.Tested<Measurement>

interface Props {
  tested: Tested
  changes: TwoChanges | null
  channels: Verifying['channels']
}

/** One test: what its sessions say, and the sessions themselves. */
export function TestView({ tested, changes, channels }: Props) {
  const { test, unit, better, bandwidth, work, sides, against, effects } = tested
  const [open] = useState(() => (against.after?.verdict ?? 'too-few') === 'too-few')
  const all = Object.values(sides).flatMap(({ sessions }) => sessions)
  const { file } = useJob()
  const last = file.measurements.findLast((one) => one.test === test)
  return (
    <section aria-label={test} className="border-t-2 border-rule pt-2">
      <h3 className="flex flex-wrap items-baseline gap-x-2 font-semibold">
        {test}
        <span className="text-sm font-normal text-ink-2">
          {unit}
          {unit && ', '}
          {better} is better{work && `, stands for ${profileOf(work).name.toLowerCase()}`}
        </span>
      </h3>
      {against.after && <Verdict comparison={against.after} unit={unit} />}
      <Failures sides={sides} />
      {bandwidth && <Channels sides={sides} channels={channels} />}
      {changes && effects && <Effects effects={effects} changes={changes} />}
      <Disclosure
        open={open}
        summary={
          <span className="text-sm">Sessions, {plural(all.length, 'in all', 'in all')}</span>
        }
      >
        <p className="mb-1 text-sm text-ink-2">
          Runs between one start and the next are one session. A restart, another day, or a machine
          gone cold begins another.
        </p>
        <div className="grid grid-cols-2 gap-3">
          {configurationsOf(changes).map(({ value, label }) => (
            <Sessions
              key={value}
              about={{ test, unit, better, bandwidth, work }}
              configuration={value}
              label={capital(label)}
              sessions={sides[value]?.sessions ?? []}
              last={last}
            />
          ))}
        </div>
        {!bandwidth && <StandsFor tested={tested} />}
      </Disclosure>
    </section>
  )
}

/** Which kind of work a test stands for: its gain is set beside what was forecast, and the shop learns from it. */
function StandsFor({ tested: { test, work, sides } }: { tested: Tested }) {
  const { edit } = useJob()
  const records = Object.values(sides).flatMap(({ sessions }) =>
    sessions.flatMap(({ record }) => record ?? []),
  )
  return (
    <Field label="Stands for" className="mt-1">
      {(control) => (
        <Select
          {...control}
          aria-label={`What ${test} stands for`}
          value={work ?? ''}
          options={[
            { value: '', label: 'no use of the customer’s' },
            ...WORK_PROFILES.map(({ id, name }) => ({ value: id as string, label: name })),
          ]}
          onValue={(next) => {
            for (const record of records) {
              edit.step('measurements', record, { work: next === '' ? null : (next as Work) })
            }
          }}
        />
      )}
    </Field>
  )
}

function Failures({ sides: { before, after } }: Pick<Tested, 'sides'>) {
  if (!before || !after || before.failed + after.failed === 0) return null
  const of = ({ failed, runs }: measure.Configured<Measurement>) => ({
    failed,
    runs: failed + runs.length,
  })
  const [was, is] = [of(before), of(after)]
  const { fewer, more } = compareFailures(was, is)
  const end = fewer
    ? ': fewer, beyond chance.'
    : more
      ? ': more, beyond chance.'
      : ', which may be chance.'
  return (
    <p className="mt-1 text-[0.93rem]">
      Crashed or never finished: {was.failed} of {was.runs} before, {is.failed} of {is.runs} after
      {end}
    </p>
  )
}

/** What the figures bound the channels by, which is from below only. */
function Channels({ sides, channels }: Pick<Tested, 'sides'> & Pick<Verifying, 'channels'>) {
  const { machine } = useJob()
  const runs = sides.after?.runs ?? []
  if (runs.length === 0 || machine.channels.length < 2) return null
  const { atLeast, rate, rateSeen } = channels
  const one = tidy(channelPeakGBs(rate), 1)
  const speed = rateSeen ? `at the ${rate} seen` : `at up to ${rate}, the speed not being seen yet,`
  return (
    <p className="mt-1 text-[0.93rem]">
      {atLeast > 1 ? (
        <>
          <b className="font-semibold">At least {plural(atLeast, 'channel')} at work</b>: one{' '}
          {speed} could carry {one} GB/s.
        </>
      ) : (
        <>
          Says nothing of channels: one {speed} could carry {one} GB/s, and a browser, or other work
          on the machine, may hold it back.
        </>
      )}
    </p>
  )
}
