import { clocksExpected } from '@tembrix/core/bench/diagnose'
import type { ErrorLog } from '@tembrix/core/things/model'
import type { Verification } from '@tembrix/core/things/records'
import { CircleCheck, Search, TriangleAlert } from 'lucide-react'
import { useState } from 'react'
import { capital, list, numberFrom, tidy } from '../../../../base/format'
import { useTechnician } from '../../../../base/shell'
import { Button, callout, Select, TextInput } from '../../../../base/ui'
import type { Verifying } from '../../base/file'
import { useJob } from '../../base/file'
import { SimulatedStart } from '../../base/simulated'
import { ErrorLogs } from './ErrorLogs'
import { FromReadout } from './FromReadout'
import { Stability } from './Stability'
import { Verified } from './Verified'
import { CAUSE_WORDS, differenceWords, NEXT_WORDS, RESERVED_CHECKS } from './words'

interface Props {
  verifying: Verifying
  onFault: () => void
}

type SeenRecord = Verification['seen']
type Figure =
  | 'totalGiB'
  | 'rate'
  | 'ways'
  | 'cl'
  | 'memoryClock'
  | 'controllerClock'
  | 'fabricClock'

/** Expected against seen, each difference with its causes and what to do next. */
export function ExpectedAndSeen({ verifying, onFault }: Props) {
  const { machine, planned } = useJob()
  const { record, found, channels, set } = verifying
  const { seen } = record
  const { run, capacity, zones } = planned.evaluation
  const change = (changes: Partial<SeenRecord>) => set({ seen: { ...seen, ...changes } })
  const [technician] = useTechnician()
  const takeErrors = (log: ErrorLog) =>
    set({
      errorLogs: [
        ...(record.errorLogs ?? []),
        { ...log, at: new Date().toISOString(), by: technician },
      ].slice(-50),
    })
  const { controller, fabric } = clocksExpected(machine)
  const ecc = Object.values(planned.placement).some((module) => module?.ecc)
  const rows: { name: string; figure: Figure; expected: string }[] = [
    { name: 'Memory in all, GB', figure: 'totalGiB', expected: tidy(capacity.installedGiB) },
    { name: 'Speed (or clock) shown', figure: 'rate', expected: `${run?.dataRate ?? '–'}` },
    { name: 'Channels in use', figure: 'ways', expected: `${zones[0]?.ways ?? 1}` },
    { name: 'CL', figure: 'cl', expected: `${run?.cl ?? '–'}` },
    { name: 'Memory clock, MHz', figure: 'memoryClock', expected: clockOf(run) },
    {
      name: 'Controller clock, MHz',
      figure: 'controllerClock',
      expected: besideMemory(controller),
    },
    { name: 'Fabric clock, MHz', figure: 'fabricClock', expected: besideMemory(fabric) },
  ]
  const slots = machine.slots.map(({ id }) => ({
    id,
    expected: planned.placement[id]?.capacityGiB ?? 0,
  }))
  const isDdr5 = machine.generation === 'DDR5'
  const looked =
    channels.atLeast > 1 ||
    Object.keys(seen.slots).length > 0 ||
    Object.values(seen).some((value) => typeof value === 'number' || typeof value === 'boolean')
  return (
    <>
      <FromReadout onSeen={change} onErrors={takeErrors} />
      <table className="w-full text-left text-[0.93rem]">
        <thead className="text-sm text-ink-2">
          <tr className="border-b border-rule-2">
            <th className="py-1 font-semibold">Looked at</th>
            <th className="font-semibold">Expected</th>
            <th className="w-28 font-semibold">Seen</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ name, figure, expected }) => (
            <tr key={figure} className="border-b border-rule">
              <th scope="row" className="py-0.5 font-normal">
                {name}
                {figure === 'ways' && isDdr5 && (
                  <span className="block text-sm text-ink-2">
                    64-bit or 32-bit? Two of 32 bits are one channel.
                    {seen.ways !== null && seen.ways >= 2 && seen.ways % 2 === 0 && (
                      <button
                        type="button"
                        className="ml-1 min-h-11 underline"
                        onClick={() => change({ ways: (seen.ways ?? 2) / 2 })}
                      >
                        They are 32-bit: count half
                      </button>
                    )}
                  </span>
                )}
              </th>
              <td>{expected}</td>
              <td className="py-0.5">
                <NumberCell
                  label={`${name}, seen`}
                  value={seen[figure]}
                  onValue={(value) => change({ [figure]: value })}
                />
                {figure === 'ways' && (channels.atLeast > 1 || channels.stayed) && (
                  <span className="block text-sm text-ink-2">
                    by bandwidth: {channels.stayed ? 'as before' : `at least ${channels.atLeast}`}
                  </span>
                )}
              </td>
            </tr>
          ))}
          {slots.map(({ id, expected }) => (
            <tr key={id} className="border-b border-rule">
              <th scope="row" className="py-0.5 font-normal">
                Slot <b className="font-mono font-semibold">{id}</b>, GB
              </th>
              <td>{expected === 0 ? 'empty' : tidy(expected)}</td>
              <td className="py-0.5">
                <NumberCell
                  label={`Slot ${id}, seen`}
                  value={seen.slots[id] ?? null}
                  onValue={(value) => {
                    const { [id]: _, ...rest } = seen.slots
                    change({ slots: value === null ? rest : { ...rest, [id]: value } })
                  }}
                />
              </td>
            </tr>
          ))}
          {ecc && (
            <tr className="border-b border-rule">
              <th scope="row" className="py-0.5 font-normal">
                Error correction
              </th>
              <td>{machine.ecc === 'ignored' ? 'off' : 'on'}</td>
              <td className="py-0.5">
                <Select
                  aria-label="Error correction, seen"
                  value={seen.eccActive === null ? '' : seen.eccActive ? 'on' : 'off'}
                  options={[
                    { value: '', label: '–' },
                    { value: 'on', label: 'on' },
                    { value: 'off', label: 'off' },
                  ]}
                  onValue={(value) => change({ eccActive: value === '' ? null : value === 'on' })}
                />
              </td>
            </tr>
          )}
        </tbody>
      </table>
      <ul aria-label="Differences" aria-live="polite" className="flex flex-col gap-1.5">
        {found.map((difference) => {
          const { code, harmless, slots: where, causes, next } = difference
          return (
            <li
              key={`${code} ${where.join()}`}
              data-code={code}
              className={callout({ tone: harmless ? 'note' : 'risk' })}
            >
              <p className="flex gap-2 font-semibold">
                {!harmless && (
                  <TriangleAlert size={17} className="mt-0.5 shrink-0 text-risk" aria-hidden />
                )}
                {differenceWords(difference)}
              </p>
              <p className="text-[0.93rem]">
                {harmless ? 'That is' : 'Likely'}{' '}
                {list(
                  causes.map((cause) => CAUSE_WORDS[cause]),
                  'or',
                )}
                .
              </p>
              {code === 'MEMORY_RESERVED' && (
                <ul className="list-disc pl-5 text-[0.93rem]">
                  {causes.flatMap((cause) => {
                    const check = RESERVED_CHECKS[cause]
                    return check ? [<li key={cause}>{capital(check)}.</li>] : []
                  })}
                </ul>
              )}
              {next === 'FIND_FAULT' ? (
                <Button className="mt-1" onClick={onFault}>
                  <Search size={17} aria-hidden /> {NEXT_WORDS[next]}
                </Button>
              ) : (
                <p className="text-[0.93rem] font-medium">{NEXT_WORDS[next]}</p>
              )}
            </li>
          )
        })}
        {found.length === 0 && looked && (
          <li className={callout({ tone: 'good', className: 'flex gap-2' })}>
            <CircleCheck size={18} className="mt-0.5 shrink-0 text-act" aria-hidden />
            What was looked at is as expected.
          </li>
        )}
      </ul>
      <Stability verifying={verifying} />
      <ErrorLogs verifying={verifying} />
      <Verified verifying={verifying} />
      <SimulatedStart />
    </>
  )
}

const clockOf = (run: { dataRate: number } | null): string =>
  run ? `${Math.round(run.dataRate / 2)}` : '–'

/** How a clock should run beside the memory’s; null where that is not known, or it runs apart. */
const besideMemory = (share: number | null): string =>
  share === null ? '–' : share === 1 ? 'the same' : 'half'

interface CellProps {
  label: string
  value: number | null
  onValue: (value: number | null) => void
}

/** A figure that is kept once it is one. */
function NumberCell({ label, value, onValue }: CellProps) {
  const [wrong, setWrong] = useState(false)
  return (
    <TextInput
      id={label.replace(/\W+/g, '-')}
      aria-label={label}
      aria-invalid={wrong}
      aria-describedby={undefined}
      inputMode="decimal"
      value={value}
      onValue={(text) => {
        const figure = numberFrom(text)
        const fits = figure === null || (typeof figure === 'number' && figure >= 0 && figure < 1e5)
        setWrong(!fits)
        if (fits) onValue(figure as number | null)
      }}
    />
  )
}
