import {
  filledIn,
  type HandoverFacts,
  onRecord,
  partOf,
  type Report,
  type Steadiness,
} from '@tembrix/core/shop/handover'
import type { Module } from '@tembrix/core/things/model'
import {
  type Handover,
  type HandoverDocument,
  type JobFile,
  SECTIONS,
  type Terms,
} from '@tembrix/core/things/records'
import { capacity, fasterBy, plural, speed, tidy } from '../../../../base/format'
import { describeModule } from '../../../../parts/board'
import { faster, fasterRange } from './reportWords'
import { hoursInWords, pointWords } from './words'

interface Basis {
  file: JobFile
  facts: HandoverFacts
  handover: Handover
  figures: Readonly<Record<string, string>>
  written: Report
  terms: Terms
  /** The day of the report: warranties begin with it (ISO date). */
  on: string
}

/** The whole report as it stands now. */
export function handoverDocument({
  file,
  facts,
  handover,
  figures,
  written,
  terms,
  on,
}: Basis): HandoverDocument {
  return {
    ...onRecord(facts, terms, on, { drawn: singly, listed: partName }),
    customerName: file.customer.name,
    serialNumber: file.machine.serialNumber,
    on,
    sections: SECTIONS.map((section) => ({
      section,
      paragraphs: filledIn(partOf(section, handover.wording, written), figures),
    })).filter(({ paragraphs }) => paragraphs.length > 0),
    runs: runsOf(facts),
    measured: facts.gains.map(measuredRow),
    tests: facts.steadiness ? [testsInWords(facts.steadiness)] : [],
    setup: setupOf(facts, handover.setupFound),
    accessories: handover.returned,
    open: facts.points.map((point) => ({
      code: point.code,
      text: pointWords(point),
      reason: handover.reasons[point.code] ?? '',
    })),
  }
}

/** One module by itself, also where it is of a kit. */
const singly = (module: Module) => describeModule({ ...module, kit: null })
const partName = (module: Module) => `${singly(module)}, ${module.article}`.slice(0, 200)

function runsOf({ before, now }: HandoverFacts): HandoverDocument['runs'] {
  const { capacity: size, run, zones } = before.evaluation
  return [
    {
      what: 'Memory',
      before: capacity(size.installedGiB),
      now: capacity(now.memory.value),
      seen: now.memory.seen,
    },
    {
      what: 'Speed',
      before: run ? speed(run.dataRate) : '–',
      now: now.speed ? speed(now.speed.value) : '–',
      seen: now.speed?.seen ?? false,
    },
    {
      what: 'Channels at work',
      before: String(zones[0]?.ways ?? 1),
      now: String(now.channels.value),
      seen: now.channels.seen,
    },
  ]
}

function measuredRow({
  test,
  unit,
  before,
  after,
  compared,
  forecast,
}: HandoverFacts['gains'][number]): HandoverDocument['measured'][number] {
  const figure = (value: number) => `${tidy(value)} ${unit}`.trim()
  const { verdict, ratio, low, high } = compared
  const change =
    verdict === 'gain' || verdict === 'loss'
      ? `${faster(ratio)} (${fasterRange(low, high)})`
      : verdict === 'alike'
        ? 'no difference you would notice'
        : 'not significant (smaller than the scatter of the runs)'
  return {
    test,
    before: figure(before),
    now: figure(after),
    change,
    forecast: forecast ? fasterBy(forecast.use.most) : '',
  }
}

/** What is left set in the BIOS/UEFI setup, and what was set there before where somebody noted it: it is not guessed. */
function setupOf(
  { after, fitted }: HandoverFacts,
  foundSet: Handover['setupFound'],
): HandoverDocument['setup'] {
  const { run } = after.evaluation
  if (!fitted || !run || (!run.profile && !after.settings.manual)) return []
  const rows = [
    ['Memory profile', run.profile ? 'on' : 'off'],
    ['Speed', speed(run.dataRate)],
    ['Timings', `${run.cl}-${run.trcd}-${run.trp}-${run.tras}`],
  ] as const
  return rows.map(([what, left]) => ({ what, found: foundSet[what] || 'not noted', left }))
}

function testsInWords({ tests, hours, passes, clean, held }: Steadiness): string {
  const outcome = !clean
    ? 'not passed'
    : passes === 0
      ? 'too short to count'
      : `without an error${held ? '' : ', less than planned'}`
  return `${plural(tests, 'test')}, ${hoursInWords(hours)} in all, ${plural(passes, 'full pass', 'full passes')}: ${outcome}`
}
