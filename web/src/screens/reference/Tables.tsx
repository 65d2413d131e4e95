import {
  HARDLY,
  LATER,
  MANNERS,
  SLIPS,
  STARTING_CAUSES,
  TIMES,
  TRIAL_MINUTES,
  TRIAL_WORTH,
  USUAL_CAUSES,
  WAYS,
} from '@tembrix/core/bench/diagnose'
import { REACHED_ABOVE, SHARE_ABOVE } from '@tembrix/core/judging/evaluate'
import { SLOWEST_FRAMES, WORK_PROFILES } from '@tembrix/core/judging/forecast'
import { CARD, MODULE_SIZES, STARTING_USES, USES } from '@tembrix/core/judging/sizing'
import { INTERLEAVE_SHOWN } from '@tembrix/core/shop/job'
import { OTHER_MINUTES } from '@tembrix/core/shop/quote'
import {
  FIRST_START,
  firstStart,
  type Minutes,
  OPENING,
  TEST_PASS,
  TIGHT,
} from '@tembrix/core/things/knowledge'
import { GENERATIONS, type Generation, type Known, USUAL_SPEEDS } from '@tembrix/core/things/model'
import { type ReactNode, useState } from 'react'
import { useShopQuery } from '../../base/data'
import { month, tidy } from '../../base/format'
import { Field, Select } from '../../base/ui'
import { CAUSE_ROWS } from '../../parts/judgement'
import { Card } from './Card'

/** The tables that Tembrix itself works with, each with its reason and, where it ages, its month. */
export function Tables() {
  return (
    <>
      <Speeds />
      <SpeedsAboveRating />
      <Times />
      <Uses />
      <Causes />
      <Faults />
      <Sizes />
      <Works />
      <Judged />
    </>
  )
}

function Why({ of }: { of: Pick<Known<unknown>, 'reason' | 'asOf'> }) {
  return (
    <p className="text-sm text-ink-2">
      {of.reason}
      {of.asOf && ` As of ${month(of.asOf)}.`}
    </p>
  )
}

function Rows({ heads, rows }: { heads: readonly string[]; rows: readonly ReactNode[][] }) {
  return (
    <table className="w-full border-collapse text-left text-[0.93rem]">
      <thead className="text-sm">
        <tr>
          {heads.map((head, at) => (
            <th key={head} className={`font-semibold ${at > 0 ? 'pl-2 text-right' : ''}`}>
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {rows.map((cells) => (
          <tr key={String(cells[0])} className="border-t border-rule">
            {cells.map((cell, at) => (
              <td
                key={heads[at]}
                className={`py-0.5 ${at > 0 ? 'pl-2 text-right font-mono whitespace-nowrap' : ''}`}
              >
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}

function Speeds() {
  const [generation, setGeneration] = useState<Generation>('DDR4')
  const rows = USUAL_SPEEDS.value.filter((row) => row.generation === generation)
  return (
    <Card title="Standard speeds">
      <Field label="Speeds of">
        {(control) => (
          <Select
            {...control}
            value={generation}
            options={GENERATIONS.map((value) => ({ value, label: value }))}
            onValue={setGeneration}
          />
        )}
      </Field>
      <Rows
        heads={['MT/s', 'CL-tRCD-tRP-tRAS', 'V']}
        rows={rows.map(({ speed, volts }) => [
          speed.dataRate,
          `${speed.cl}-${speed.trcd}-${speed.trp}-${speed.tras}`,
          tidy(volts),
        ])}
      />
      <Why of={USUAL_SPEEDS} />
    </Card>
  )
}

function SpeedsAboveRating() {
  const { everyday, hardly } = SHARE_ABOVE.value
  return (
    <Card title="Above the controller’s rating">
      <Rows
        heads={['Modules a channel, ranks', 'everyday to, MT/s', 'hardly ever above']}
        rows={GENERATIONS.flatMap((generation) =>
          (REACHED_ABOVE.value[generation] ?? []).map((row) => [
            `${generation}, ${row.modulesPerChannel} of ${row.ranks === 1 ? 'one rank' : 'two ranks'}`,
            row.everyday,
            row.hardly,
          ]),
        )}
      />
      <Why of={REACHED_ABOVE} />
      <p className="text-sm text-ink-2">
        Where the rating itself is higher: everyday to {tidy(everyday * 100)} % above it, hardly
        ever beyond {tidy(hardly * 100)} %. {SHARE_ABOVE.reason} Only what it falls back to with
        nothing switched on is promised.
      </p>
    </Card>
  )
}

const span = ({ low, high }: Minutes) => `${tidy(low, 1)}–${tidy(high, 1)}`

function Times() {
  const { older, DDR5, manyLarge, huge } = FIRST_START.value
  const { allCores, oneCore } = TEST_PASS.value
  const longest = firstStart({ generation: 'DDR5', sizes: Array(8).fill(64) }).atMost
  return (
    <Card title="How long it takes">
      <Rows
        heads={['First start after a change', 'min']}
        rows={[
          ['DDR4 and earlier', span(older)],
          ['DDR5', span(DDR5)],
          ['DDR5, four large modules', span(manyLarge)],
          ['DDR4 and earlier, 256 GB and more', span(huge.older)],
          ['DDR5, 256 GB and more', span(huge.DDR5)],
        ]}
      />
      <Why of={FIRST_START} />
      <p className="text-sm text-ink-2">
        Twice the usual time (at most {longest} min) and still dark: shut it off, unplug, seat every
        module again.
      </p>
      <Rows
        heads={['A pass of the memory test', 'min a GB']}
        rows={[
          ['on all cores', span(allCores)],
          ['on one core', span(oneCore)],
        ]}
      />
      <Why of={TEST_PASS} />
      <Rows
        heads={['Opening an all-in-one', 'min']}
        rows={[
          ['behind a hatch', span(OPENING.value.hatch)],
          ['behind the display', span(OPENING.value.display)],
        ]}
      />
      <Why of={OPENING} />
    </Card>
  )
}

function Uses() {
  const { data: shop } = useShopQuery()
  const table = shop?.uses ?? STARTING_USES
  return (
    <Card title="Memory by use">
      <Rows
        heads={['GB', 'light', 'usual', 'heavy']}
        rows={[
          ...table.uses.map(({ name, light, usual, heavy }) => [
            name,
            tidy(light),
            tidy(usual),
            tidy(heavy),
          ]),
          ['The system itself', '', tidy(table.systemGiB), ''],
          ['Kept free', '', tidy(table.reserveGiB), ''],
          ['Integrated graphics', '', tidy(table.graphicsGiB), ''],
          ['More each year, %', '', tidy(table.growthPercent), ''],
        ]}
      />
      <p className="text-sm text-ink-2">
        This is the shop’s own table, changed in Size. It starts from:
      </p>
      <Why of={USES} />
      <p className="text-sm text-ink-2">
        Tight from {tidy(TIGHT.value * 100)} % on. {TIGHT.reason}
      </p>
    </Card>
  )
}

function Causes() {
  const { data: shop } = useShopQuery()
  const table = shop?.causes ?? STARTING_CAUSES
  return (
    <Card title="How often each cause is met">
      <Rows
        heads={['After an upgrade', 'against each other']}
        rows={CAUSE_ROWS.map(([name, label]) => [label, tidy(table[name])])}
      />
      <p className="text-sm text-ink-2">The shop’s own table, changed in Verify. It starts from:</p>
      <Why of={USUAL_CAUSES} />
    </Card>
  )
}

const WAY_ROWS: readonly [keyof typeof WAYS.value, string][] = [
  ['seat', 'A seat'],
  ['moduleDead', 'A dead module'],
  ['moduleWeak', 'A module with errors'],
  ['slot', 'A slot'],
  ['pair', 'A pair'],
  ['profile', 'The profile'],
  ['order', 'The order of slots'],
  ['limit', 'A limit'],
  ['setup', 'The setup'],
  ['training', 'The training'],
  ['machine', 'Not the memory'],
]

function Faults() {
  const percent = (share: number) => tidy(100 * share, 0)
  return (
    <Card title="How faults show, and how they are told">
      <Rows
        heads={['Of 100', 'no start', 'slot not seen', 'errors']}
        rows={WAY_ROWS.map(([cause, label]) => {
          const { stops, missing, errors } = WAYS.value[cause]
          return [label, percent(stops), percent(missing), percent(errors)]
        })}
      />
      {[WAYS, MANNERS, LATER, HARDLY, SLIPS, TRIAL_MINUTES, TRIAL_WORTH, TIMES].map((table) => (
        <Why key={table.reason} of={table} />
      ))}
    </Card>
  )
}

function Sizes() {
  return (
    <Card title="Module sizes that are sold">
      <Rows
        heads={['GB', 'plain', 'registered too']}
        rows={Object.entries(MODULE_SIZES.value.sticks).map(([generation, { plain, buffered }]) => [
          generation,
          plain.join(' '),
          buffered.join(' '),
        ])}
      />
      <Rows
        heads={['GB', 'CAMM2']}
        rows={Object.entries(MODULE_SIZES.value.camm2).map(([generation, sizes]) => [
          generation,
          sizes.join(' '),
        ])}
      />
      <Why of={MODULE_SIZES} />
    </Card>
  )
}

function Works() {
  const percent = ({ low, high }: Minutes) => `${tidy(low * 100)}–${tidy(high * 100)}`
  return (
    <Card title="What memory does for work" className="md:col-span-2">
      <table className="w-full border-collapse text-left text-[0.93rem]">
        <thead className="text-sm">
          <tr>
            <th className="font-semibold">Work</th>
            <th className="text-right font-semibold">waits, %</th>
            <th className="px-2 text-right font-semibold">streams, %</th>
            <th className="font-semibold">because</th>
          </tr>
        </thead>
        <tbody>
          {WORK_PROFILES.map(({ id, name, waits, streams, because }) => (
            <tr key={id} className="border-t border-rule align-top">
              <td className="py-0.5">{name}</td>
              <td className="text-right font-mono">{percent(waits)}</td>
              <td className="px-2 text-right font-mono">{percent(streams)}</td>
              <td className="text-ink-2">{because}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="text-sm text-ink-2">
        The share of its time that waits for memory, and how much of that streams. Judgements that
        forecasts rest on, until the shop’s own results move them.
      </p>
    </Card>
  )
}

/** Thresholds for graphics and copies, and minutes of other work. */
function Judged() {
  const share = (of: number) => `${tidy(of * 100)} %`
  const range = ({ low, high }: Minutes) => `${tidy(low, 1)}–${tidy(high, 1)}`
  const { waitMore, noticed } = SLOWEST_FRAMES.value
  const { disk, cooling, repair } = OTHER_MINUTES.value
  return (
    <>
      <Card title="Pictures: what limits them">
        <Rows
          heads={['Of a log', '']}
          rows={[
            ['Card at full load from', share(CARD.value.busy)],
            ['Card waits below', share(CARD.value.waits)],
            ['Its own memory full from', share(CARD.value.full)],
            ['Slowest 1 % of frames wait, times the average', range(waitMore)],
            ['Steadier from', share(noticed - 1)],
          ]}
        />
        <Why of={CARD} />
        <Why of={SLOWEST_FRAMES} />
      </Card>
      <Card title="Unequal channels, by a copy">
        <Rows
          heads={['After ÷ before', '']}
          rows={[
            ['Only equal channels interleave, up to', tidy(INTERLEAVE_SHOWN.value.falls)],
            ['As far as they are equal, from', tidy(INTERLEAVE_SHOWN.value.stays)],
          ]}
        />
        <Why of={INTERLEAVE_SHOWN} />
      </Card>
      <Card title="Work beside memory, minutes">
        <Rows
          heads={['Offered', 'min']}
          rows={[
            ['A solid-state disk', tidy(disk)],
            ['Cooling cleaned', tidy(cooling)],
            ['Repair', tidy(repair)],
          ]}
        />
        <Why of={OTHER_MINUTES} />
      </Card>
    </>
  )
}
