import { memoryErrors } from '@tembrix/core/bench/diagnose'
import { isSteadier } from '@tembrix/core/judging/forecast'
import type {
  Gained,
  HandoverFacts,
  NextUpgrade,
  ReplacedPart,
  Report,
  Steadiness,
} from '@tembrix/core/shop/handover'
import { trainedBy } from '@tembrix/core/shop/job'
import { firstStart } from '@tembrix/core/things/knowledge'
import { deepEqual, type FindingCode, type Module } from '@tembrix/core/things/model'
import type { JobFile, Paragraph } from '@tembrix/core/things/records'
import { capacity, fasterBy, list, plural, speed, tidy } from '../../../../base/format'
import { shownWords } from '../../../../parts/soak'
import { ALONG_WORDS } from '../../bench/measure'
import { hoursInWords } from './words'

/** What the report is written from, beside the facts: what the customer said. */
type Asked = Pick<JobFile, 'complaint' | 'uses' | 'sizing' | 'readings'>

/** Every figure that the report may name, by its name, as it is written now. */
export function figuresOf(facts: HandoverFacts): Record<string, string> {
  const { before, now, steadiness, gains, forecast } = facts
  const { capacity: size, run, zones } = before.evaluation
  return {
    'memory before': capacity(size.installedGiB),
    'memory now': capacity(now.memory.value),
    ...(run ? { 'speed before': speed(run.dataRate) } : {}),
    ...(now.speed ? { 'speed now': speed(now.speed.value) } : {}),
    'channels before': plural(zones[0]?.ways ?? 1, 'channel'),
    'channels now': plural(now.channels.value, 'channel'),
    ...(steadiness
      ? {
          'hours tested': hoursInWords(steadiness.hours),
          'passes tested': plural(steadiness.passes, 'full pass', 'full passes'),
          'fault shown': shownWords(steadiness.shows),
        }
      : {}),
    ...(forecast && forecast.words !== 'UNKNOWN' && forecast.words !== 'NONE'
      ? { expected: fasterBy(forecast.most) }
      : {}),
    ...Object.fromEntries(gains.flatMap(gainFigures)),
  }
}

const gainName = ({ test }: Gained) => `gain in ${test}`
const rangeName = ({ test }: Gained) => `range in ${test}`

/** A measured ratio and its range, as shares; above 1 is better. */
function gainFigures(gain: Gained): [string, string][] {
  const { ratio, low, high, verdict } = gain.compared
  if (verdict !== 'gain' && verdict !== 'loss') return []
  return [
    [gainName(gain), faster(ratio)],
    [rangeName(gain), fasterRange(low, high)],
  ]
}

export function faster(ratio: number): string {
  if (ratio >= 2) return `${tidy(ratio, 1)} times as fast`
  const share = tidy(Math.abs(ratio - 1) * 100, 0)
  return ratio >= 1 ? `${share} % faster` : `${share} % slower`
}

/** From a measured ratio to another, the lower one first. */
export function fasterRange(low: number, high: number): string {
  const share = (ratio: number) => tidy(Math.abs(ratio - 1) * 100, 0)
  if (low >= 1 && high < 2) return `${share(low)}–${share(high)} % faster`
  if (high < 1) return `${share(high)}–${share(low)} % slower`
  return `${faster(low)} to ${faster(high)}`
}

/** The report as the record has it, part by part. */
export function writtenReport(facts: HandoverFacts, asked: Asked): Report {
  return {
    asked: askedFor(asked),
    found: foundIn(facts, asked),
    done: doneTo(facts),
    gained: gainedBy(facts),
    watch: toWatch(facts),
    next: facts.next.map((one) => [nextWords(one)]),
  }
}

const figure = (name: string) => ({ figure: name })
const said = (text: string): Paragraph[] => (text.trim() === '' ? [] : [[text.trim()]])

const askedFor = ({ complaint, uses }: Asked): Paragraph[] => [
  ...said(complaint && `You told us: “${complaint.trim()}”`),
  ...said(uses && `You use it for: ${uses.trim()}`),
]

function foundIn({ before, machine }: HandoverFacts, { sizing, readings }: Asked): Paragraph[] {
  const modules = Object.values(before.placement).filter((one) => one !== null)
  const soldered = machine.soldered.reduce((sum, { module }) => sum + module.capacityGiB, 0)
  const where = [
    soldered > 0 &&
      (soldered >= before.evaluation.capacity.installedGiB
        ? 'all of it fixed to the board'
        : `${capacity(soldered)} of it fixed to the board`),
    modules.length > 0 && `in ${counted(modules)}`,
  ].filter((one) => one !== false)
  const { log } = sizing
  const had: Paragraph =
    before.evaluation.capacity.installedGiB === 0
      ? readings.length > 0
        ? ['There was no memory in it.']
        : []
      : [
          'It had ',
          figure('memory before'),
          ` of memory${where.length > 0 ? `, ${list(where)}` : ''}.`,
        ]
  const full = log?.cutOff
    ? 'While you worked, all of it was in use, so that it had to move data to and from the disk, which is much slower.'
    : log
      ? `While you worked, at most ${capacity(Math.ceil(log.peakGiB))} of it was in use.`
      : ''
  return [...(had.length > 0 ? [had] : []), ...said(full)]
}

/** “a module of 8 GB”, “2 modules of 16 GB”, sizes one after another. */
function counted(modules: readonly Module[], word = ''): string {
  const sizes = new Map<number, number>()
  for (const { capacityGiB } of modules) sizes.set(capacityGiB, (sizes.get(capacityGiB) ?? 0) + 1)
  return list(
    [...sizes].map(([gib, count]) =>
      count === 1
        ? `a ${word}module of ${capacity(gib)}`
        : `${count} ${word}modules of ${capacity(gib)}`,
    ),
  )
}

const STATES = { new: 'new ', used: 'used ', own: 'own ' } as const

function doneTo(facts: HandoverFacts): Paragraph[] {
  const { fitted, otherWork, parts, removed, steadiness, errorsLogged, filesLookedAt, after, now } =
    facts
  if (!fitted) {
    const agreed = otherWork ? ` What you agreed to instead: ${otherWork}.` : ''
    return [[`We changed nothing in the memory.${agreed}`]]
  }
  const put = (['new', 'used', 'own', null] as const).flatMap((state) => {
    const modules = parts.filter((one) => one.state === state).map(({ module }) => module)
    return modules.length === 0 ? [] : [counted(modules, state === null ? '' : STATES[state])]
  })
  const out = removed.length > 0 ? `took out ${counted(removed.map(({ module }) => module))}` : ''
  const acts = [out, put.length > 0 ? `put in ${list(put)}` : ''].filter(Boolean)
  const { run } = after.evaluation
  const holds: Paragraph = now.memory.seen
    ? ['It now shows ', figure('memory now'), ' of memory.']
    : ['By what is in it, it now has ', figure('memory now'), ' of memory.']
  return [
    [`We ${acts.length > 0 ? list(acts) : setAgain(facts)}. `, ...holds],
    ...(now.channels.value > (facts.before.evaluation.zones[0]?.ways ?? 1)
      ? [
          [
            `Memory ${now.channels.seen ? 'is now' : 'should now be'} read along `,
            figure('channels now'),
            ' at once instead of ',
            figure('channels before'),
            '.',
          ],
        ]
      : []),
    ...(run?.profile
      ? [
          [
            'The faster setting stored on the modules (memory profile) is switched on in the BIOS/UEFI setup.',
          ],
        ]
      : []),
    ...facts.replaced.map(replacedWords),
    ...(steadiness ? [tested(steadiness)] : [['No memory test is on record.']]),
    ...(errorsLogged && memoryErrors(errorsLogged) === 0
      ? [['The system’s own log shows no memory error since then.']]
      : []),
    ...(filesLookedAt
      ? [
          [
            'We looked that the system’s hibernation and page files fit your drive beside the new memory.',
          ],
        ]
      : []),
  ]
}

const replacedWords = ({ slot, module, serial }: ReplacedPart): Paragraph => [
  `The first module of ${capacity(module.capacityGiB)} for ${slot}${serial ? ` (serial number ${serial})` : ''} was faulty; we replaced it.`,
]

/** The memory tests that count, in a sentence. */
function tested({ clean, passes, shortened }: Steadiness): Paragraph {
  if (!clean) {
    return [
      'The memory was tested for ',
      figure('hours tested'),
      '; it did not pass without errors.',
    ]
  }
  if (passes === 0) {
    return ['A memory test of ', figure('hours tested'), ' was too short to count as tested.']
  }
  return [
    'We tested the memory in ',
    figure('passes tested'),
    ', ',
    figure('hours tested'),
    ', without an error. Such a test shows ',
    figure('fault shown'),
    ', 95 times in 100.',
    ...(shortened ? [` It was made shorter than usual: ${shortened}.`] : []),
  ]
}

/** Nothing went in or out: modules changed their places, or only settings changed. */
const setAgain = ({ before, after }: HandoverFacts): string =>
  deepEqual(before.assignment, after.assignment)
    ? 'set up again what was in it'
    : 'moved its modules to the slots where they work best'

function gainedBy({ gains, fitted, forecast, altered }: HandoverFacts): Paragraph[] {
  if (!fitted) return []
  const measured = gains.map((gain) => gainWords(gain, altered))
  const expected = expectedWords(forecast)
  if (measured.length > 0) return measured
  return [[`How much faster it is was not measured.${expected}`]]
}

function expectedWords(forecast: HandoverFacts['forecast']): string {
  if (!forecast) return ''
  switch (forecast.words) {
    case 'STALLS_STOP':
      return ' We expect the stalls to end that came when memory ran out.'
    case 'NONE':
      return isSteadier(forecast)
        ? ' We expect no more speed, but a steadier picture in games: its slowest moments come sooner.'
        : ' We expect no difference you would notice.'
    case 'UNKNOWN':
      return ''
    default:
      return ` For your work we expect it to be ${fasterBy(forecast.most)}.`
  }
}

function gainWords(gain: Gained, altered: HandoverFacts['altered']): Paragraph {
  const { test, compared, forecast } = gain
  switch (compared.verdict) {
    case 'gain':
    case 'loss':
      return [
        `${test}: `,
        figure(gainName(gain)),
        ', measured before and after (',
        figure(rangeName(gain)),
        `).${creditWords(gain, altered)}${forecast ? AGAINST[forecast.against] : ''}`,
      ]
    case 'alike':
      return [`${test}: measured, no difference you would notice.`]
    default:
      return [`${test}: measured, but the runs scatter too much to tell a difference.`]
  }
}

/** Changes in a customer's words. */
const CHANGED: Record<HandoverFacts['altered'][number], string> = {
  capacity: 'the amount of memory',
  channels: 'the number of channels',
  rate: 'its speed',
  latency: 'its timings',
  ranks: 'how the modules are built',
  width: 'how the modules are built',
}

/** A sentence that names all causes of a gain; empty for a single one. */
function creditWords({ along }: Gained, altered: HandoverFacts['altered']): string {
  const all = [
    ...new Set(altered.map((one) => CHANGED[one])),
    ...along.map((one) => ALONG_WORDS[one]),
  ]
  return all.length > 1 ? ` It comes from ${list(all)} together.` : ''
}

const AGAINST = {
  less: ' That is less than we expected.',
  more: ' That is more than we expected.',
  'as-forecast': ' That is as we expected.',
}

/** What a customer has to know of how memory is set up; what is of no use to them is left out. */
const WATCH: Partial<Record<FindingCode, string>> = {
  ABOVE_RATING:
    'The memory runs faster than the processor is rated for. Should it freeze or restart by itself, tell us: we then go back to the plain setting.',
  MIXED_MODULES:
    'The modules do not come from one set. Should it freeze or restart by itself, tell us.',
  KITS_COMBINED:
    'The modules come from more than one set. Should it freeze or restart by itself, tell us.',
  UNEVEN_CHANNELS:
    'Part of the memory is read along fewer paths than the rest, since the modules differ in size.',
  SINGLE_CHANNEL: 'Memory is read along one path only.',
  OS_LIMIT: 'Your system cannot use all of the memory that is in it.',
}

function toWatch({ fitted, after, machine }: HandoverFacts): Paragraph[] {
  const { findings, run } = after.evaluation
  const modules = Object.values(after.placement).flatMap((one) => one ?? [])
  // A module beside soldered memory is meant to be there.
  const isMixed = new Set(modules.map(({ article }) => article)).size > 1
  const told = findings.filter(({ code }) => code !== 'MIXED_MODULES' || isMixed)
  const known = [...new Set(told.flatMap(({ code }) => WATCH[code] ?? []))]
  const { high } = firstStart(trainedBy(machine, modules))
  const setByHand = fitted && (run?.profile || after.settings.manual)
  return [
    ...known.map((text): Paragraph => [text]),
    ...(setByHand
      ? [
          [
            'A firmware update or a cleared setup switches the faster setting off: the computer then works, but its memory is slower.',
          ],
        ]
      : []),
    ...(fitted && machine.generation === 'DDR5'
      ? [
          [
            `After a power cut, an update or a cleared setup the screen may stay dark for up to ${tidy(high, 0)} minutes while the memory is set up again. That is normal; do not switch it off.`,
          ],
        ]
      : []),
    ...(fitted
      ? [
          [
            'If it does not start, beeps or shows less memory than above, switch it off and bring it to us.',
          ],
        ]
      : []),
  ]
}

function nextWords(next: NextUpgrade): string {
  switch (next.code) {
    case 'SOLDERED':
      return 'All of its memory is fixed to the board: no more can be put in.'
    case 'LIMIT_REACHED':
      return `It has as much memory as it can take: ${capacity(next.totalGiB)}.`
    case 'FREE_SLOTS':
      return `${plural(next.slots.length, 'slot')} (${list(next.slots)}) ${next.slots.length === 1 ? 'is' : 'are'} free: it could be brought to ${capacity(next.upToGiB)}.`
    case 'REPLACE':
      return `No slot is free: more memory, up to ${capacity(next.upToGiB)}, means larger modules in place of those in ${list(next.slots)}.`
    case 'NO_FREE_SLOT':
      return 'No slot is free, and no larger modules fit.'
    case 'SYSTEM_LIMIT':
      return `Its system uses no more than ${capacity(next.osGiB)}, whatever is put in.`
  }
}
