import { rateNames, readRateName } from '@tembrix/core/reading/inputs'
import {
  channelPeakGBs,
  clocksToNs,
  DataRate,
  GENERATIONS,
  type Generation,
  nsToClocks,
  STANDARD_STEPS,
  settableCl,
} from '@tembrix/core/things/model'
import { type ReactNode, useState } from 'react'
import { bandwidth, numberFrom, tidy } from '../../base/format'
import { Bar } from '../../base/shell'
import { Field, Select, TextInput } from '../../base/ui'
import { Beliefs } from './Beliefs'
import { Card } from './Card'
import { Glossary } from './Glossary'
import { LabelReader } from './LabelReader'
import { Tables } from './Tables'

/** What one otherwise works out on the back of an envelope, and the words of the trade. */
export function ReferenceScreen() {
  return (
    <div className="flex min-h-dvh flex-col">
      <Bar>
        <h1 className="font-semibold">Desk reference</h1>
      </Bar>
      <main
        id="work"
        tabIndex={-1}
        className="outline-none mx-auto grid w-full max-w-7xl items-start gap-4 p-4 lg:grid-cols-[1.4fr_1fr]"
      >
        <div className="grid gap-4 md:grid-cols-2">
          <RateNames />
          <Latency />
          <Compare />
          <Bandwidth />
          <LabelReader />
          <Tables />
        </div>
        <div className="grid gap-4">
          <Beliefs />
          <Glossary />
        </div>
      </main>
    </div>
  )
}

const AS = {
  rate: 'the speed',
  bandwidth: 'a bandwidth in MB/s',
  clock: 'the clock',
}

function RateNames() {
  const [text, setText] = useState('PC4-25600')
  const meanings = readRateName(text)
  return (
    <Card title="Names of a speed">
      <Field
        label="As printed"
        hint={
          meanings.length > 1
            ? `May be any of ${meanings.length}; the label or the slot tells which.`
            : undefined
        }
        error={
          meanings.length === 0 && text.trim() !== ''
            ? 'No match. Try DDR4-3200, PC4-25600 or PC3-12800.'
            : undefined
        }
      >
        {(control) => (
          <TextInput {...control} className="font-mono" value={text} onValue={setText} />
        )}
      </Field>
      <ul aria-label="Meanings" className="flex flex-col gap-2">
        {meanings.map(({ generation, dataRate, as }) => {
          const names = rateNames(generation, dataRate)
          return (
            <li key={`${generation} ${dataRate} ${as}`} className="border-t border-rule pt-1">
              <b className="font-mono font-semibold">{names.rate}</b>
              {names.bandwidth && (
                <>
                  {' = '}
                  <b className="font-mono font-semibold">{names.bandwidth}</b>
                </>
              )}
              <span className="block text-sm text-ink-2">
                The figure is {AS[as]}. Clock {tidy(names.clockMHz, 1)} MHz, one module{' '}
                {bandwidth(names.peakMBs / 1000)}.
              </span>
            </li>
          )
        })}
      </ul>
    </Card>
  )
}

const positive = (value: unknown): number | null =>
  typeof value === 'number' && value > 0 ? value : null

const rateIn = (value: unknown): number | null => DataRate.safeParse(value).data ?? null

const generationOptions = GENERATIONS.map((value) => ({ value, label: value }))

/** A control for a figure that may be anything while it is typed. */
function Figure({
  label,
  value,
  bad,
  onValue,
}: {
  label: string
  value: unknown
  bad: boolean
  onValue: (value: unknown) => void
}) {
  return (
    <Field label={label} error={bad ? 'Must be greater than 0.' : undefined}>
      {(control) => (
        <TextInput
          {...control}
          inputMode="decimal"
          value={value}
          onValue={(text) => onValue(numberFrom(text))}
        />
      )}
    </Field>
  )
}

function Latency() {
  const [generation, setGeneration] = useState<Generation>('DDR4')
  const [rate, setRate] = useState<unknown>(3200)
  const [cl, setCl] = useState<unknown>(22)
  const [ns, setNs] = useState<unknown>(13.75)
  const [dataRate, clocks, time] = [rateIn(rate), positive(cl), positive(ns)]
  return (
    <Card title="Clocks and time">
      <div className="grid grid-cols-2 gap-3">
        <Field label="Generation">
          {(control) => (
            <Select
              {...control}
              value={generation}
              options={generationOptions}
              onValue={setGeneration}
            />
          )}
        </Field>
        <Figure label="Speed, MT/s" value={rate} bad={dataRate === null} onValue={setRate} />
        <Figure label="CL" value={cl} bad={clocks === null} onValue={setCl} />
        <Answer label="takes">
          {dataRate && clocks ? `${tidy(clocksToNs(clocks, dataRate))} ns` : '–'}
        </Answer>
        <Figure label="Time, ns" value={ns} bad={time === null} onValue={setNs} />
        <Answer label="is at least CL">
          {dataRate && time
            ? String(settableCl(nsToClocks(time, dataRate, generation), generation))
            : '–'}
        </Answer>
      </div>
    </Card>
  )
}

function Answer({ label, children }: { label: string; children: ReactNode }) {
  return (
    <div className="flex flex-col gap-1">
      <span className="text-sm font-semibold">{label}</span>
      <output className="flex min-h-11 items-center font-mono text-lg font-semibold">
        {children}
      </output>
    </div>
  )
}

function Compare() {
  const [a, setA] = useState<{ rate: unknown; cl: unknown }>({ rate: 3200, cl: 22 })
  const [b, setB] = useState<{ rate: unknown; cl: unknown }>({ rate: 3600, cl: 18 })
  const time = ({ rate, cl }: typeof a) => {
    const [dataRate, clocks] = [rateIn(rate), positive(cl)]
    return dataRate && clocks ? clocksToNs(clocks, dataRate) : null
  }
  const [first, second] = [time(a), time(b)]
  const row = (name: string, value: typeof a, set: (next: typeof a) => void, ns: number | null) => (
    <>
      <Figure
        label={`${name}, MT/s`}
        value={value.rate}
        bad={rateIn(value.rate) === null}
        onValue={(rate) => set({ ...value, rate })}
      />
      <Figure
        label={`${name}, CL`}
        value={value.cl}
        bad={positive(value.cl) === null}
        onValue={(cl) => set({ ...value, cl })}
      />
      <Answer label="latency">{ns === null ? '–' : `${tidy(ns)} ns`}</Answer>
    </>
  )
  return (
    <Card title="Two modules compared">
      <div className="grid grid-cols-3 gap-3">
        {row('First', a, setA, first)}
        {row('Second', b, setB, second)}
      </div>
      <p aria-live="polite">{first !== null && second !== null && verdict(first, second)}</p>
    </Card>
  )
}

function verdict(first: number, second: number): string {
  const apart = Math.abs(first - second)
  if (apart < 0.005) return 'Both have the same latency.'
  const [quicker, slower] = first < second ? ['first', second] : ['second', first]
  return `The ${quicker} has the lower latency, by ${tidy(apart)} ns or ${tidy((apart / slower) * 100, 1)} %.`
}

const CHANNELS = [1, 2, 4, 6, 8]

function Bandwidth() {
  const [generation, setGeneration] = useState<Generation>('DDR4')
  const [rate, setRate] = useState<unknown>(3200)
  const dataRate = rateIn(rate)
  return (
    <Card title="Bandwidth by channels">
      <div className="grid grid-cols-2 gap-3">
        <Field label="Step of">
          {(control) => (
            <Select
              {...control}
              value={generation}
              options={generationOptions}
              onValue={(next) => {
                setGeneration(next)
                setRate(STANDARD_STEPS[next].at(-1))
              }}
            />
          )}
        </Field>
        <Field
          label="Speed, MT/s"
          error={dataRate === null ? 'Must be greater than 0.' : undefined}
        >
          {(control) => (
            <TextInput
              {...control}
              inputMode="numeric"
              value={rate}
              onValue={(text) => setRate(numberFrom(text))}
            />
          )}
        </Field>
      </div>
      <table className="w-full border-collapse text-left">
        <thead className="text-sm">
          <tr>
            <th className="font-semibold">Channels</th>
            <th className="text-right font-semibold">GB/s at most</th>
          </tr>
        </thead>
        <tbody>
          {CHANNELS.map((ways) => (
            <tr key={ways} className="border-t border-rule">
              <td className="py-0.5">{ways}</td>
              <td className="text-right font-mono">
                {dataRate ? tidy(channelPeakGBs(dataRate) * ways, 1) : '–'}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Card>
  )
}
