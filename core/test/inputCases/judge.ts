import { guessLogColumns, readMemoryLog } from '../../src/judging/sizing'
import { answerTo, type ReadAnswer } from '../../src/reading/inputs'
import { importPrices, PRICE_WORDS } from '../../src/reading/lists'
import { guessColumns, parseTable } from '../../src/things/tables'
import type { InputCase } from './case'
import type { ListCase, LogCase } from './lists'

/** Everything was read right; some of it was left open; nothing was read; something was read wrong. */
export type Outcome = 'right' | 'open' | 'missed' | 'wrong'

export interface Judged {
  outcome: Outcome
  /** Figures read that are not true, in words. */
  wrong: string[]
  /** Figures left open or not read. */
  open: string[]
}

type Figure = string | number | boolean
/** Figures read of a stick, by the names that truths use; a figure that was not read is left out. */
type Stick = Partial<Record<StickFigure, Figure>>
type StickFigure =
  | 'cap'
  | 'gen'
  | 'form'
  | 'buffering'
  | 'ecc'
  | 'ranks'
  | 'width'
  | 'rate'
  | 'kit'
  | 'serial'

interface Truth {
  figures: Stick
  unknown: StickFigure[]
}

const BUFFERINGS: Record<string, string> = {
  ub: 'unbuffered',
  reg: 'registered',
  lr: 'load-reduced',
  ck: 'clocked',
}

/** The truth about a stick from its words (see `InputCase.sticks`). */
function truthOf(words: string): Truth {
  const figures: Stick = {}
  const unknown: StickFigure[] = []
  for (const word of words.split(' ').filter(Boolean)) {
    const organisation = /^(\d)Rx(\d+)$/.exec(word)
    if (word.startsWith('?')) unknown.push(word.slice(1) as StickFigure)
    else if (organisation) {
      figures.ranks = Number(organisation[1])
      figures.width = Number(organisation[2])
    } else if (/^[\d.]+G$/.test(word)) figures.cap = Number(word.slice(0, -1))
    else if (/^(LP)?DDR/.test(word)) figures.gen = word
    else if (/^r\d+$/.test(word)) figures.rate = Number(word.slice(1))
    else if (/^kit\d$/.test(word)) figures.kit = Number(word.slice(3))
    else if (word === 'ecc' || word === '-ecc') figures.ecc = word === 'ecc'
    else if (BUFFERINGS[word]) figures.buffering = BUFFERINGS[word] as string
    else figures.form = word
  }
  return { figures, unknown }
}

/** The modules that a reading speaks of: what says neither how large nor of which kind is none yet. */
function sticksIn({ modules }: ReadAnswer): Stick[] {
  return modules.flatMap(({ module: m }) => {
    if (m.capacityGiB === undefined && m.generation === undefined) return []
    const all: Partial<Record<StickFigure, Figure | undefined>> = {
      cap: m.capacityGiB,
      gen: m.generation,
      form: m.formFactor,
      buffering: m.buffering,
      ecc: m.ecc,
      ranks: m.ranks,
      width: m.deviceWidth,
      rate: m.speeds?.[0]?.dataRate,
      kit: m.kit?.size ?? 1,
      serial: m.serial,
    }
    return [Object.fromEntries(Object.entries(all).filter(([, value]) => value !== undefined))]
  })
}

function compared(truth: Truth, read: Stick, name: string): Omit<Judged, 'outcome'> {
  const wrong: string[] = []
  const open: string[] = []
  for (const [what, value] of Object.entries(truth.figures) as [StickFigure, Figure][]) {
    const said = read[what]
    if (said === undefined) open.push(`${name}${what}`)
    // A kit that was not understood leaves the capacity open, and so the count.
    else if (what === 'kit' && said === 1 && read.cap === undefined) open.push(`${name}${what}`)
    else if (said !== value) wrong.push(`${name}${what} ${said}, not ${value}`)
  }
  for (const what of truth.unknown) {
    if (read[what] !== undefined) wrong.push(`${name}${what} ${read[what]}, though nobody can tell`)
  }
  return { wrong, open }
}

/** Each read stick beside the truth it fits best. */
function matched(truths: Truth[], read: Stick[]): Omit<Judged, 'outcome'> {
  const left = [...read]
  const wrong: string[] = []
  const open: string[] = []
  truths.forEach((truth, at) => {
    const name = truths.length > 1 ? `stick ${at + 1} ` : ''
    const results = left.map((one) => compared(truth, one, name))
    const best = results.reduce(
      (least, one, n) => (one.wrong.length < (results[least]?.wrong.length ?? 99) ? n : least),
      0,
    )
    const result = results[best]
    if (!result) {
      open.push(`${name || 'stick'}`.trim())
      return
    }
    left.splice(best, 1)
    wrong.push(...result.wrong)
    open.push(...result.open)
  })
  wrong.push(...left.map((one) => `a stick too many: ${JSON.stringify(one)}`))
  return { wrong, open }
}

export function judge({ text, sticks, machine, system }: InputCase): Judged {
  const reading = answerTo(text)
  const { wrong, open } = matched(sticks.map(truthOf), sticksIn(reading))
  const facts: [string, number | null | undefined, number | undefined][] = [
    ['maximum', machine?.maximumGiB, reading.machine?.maximumGiB],
    ['slots', machine?.slotCount, reading.machine?.slotCount],
    ['total', system?.totalGiB, reading.system?.totalGiB],
  ]
  for (const [name, truth, said] of facts) {
    if (truth === undefined) continue
    if (said === undefined) {
      if (truth !== null) open.push(name)
    } else if (truth === null || Math.abs(said - truth) > truth * 0.02) {
      wrong.push(`${name} ${said}, not ${truth}`)
    }
  }
  const nothing =
    reading.modules.length + (reading.machine ? 1 : 0) + (reading.system ? 1 : 0) === 0
  return { outcome: outcomeOf(wrong, open, nothing), wrong, open }
}

function outcomeOf(wrong: readonly string[], open: readonly string[], nothing: boolean): Outcome {
  if (wrong.length > 0) return 'wrong'
  if (open.length === 0) return 'right'
  return nothing ? 'missed' : 'open'
}

export function judgeList({ text, rows }: ListCase): Judged {
  const table = parseTable(text)
  if (!table) return { outcome: 'missed', wrong: [], open: ['table'] }
  const columns = guessColumns(table.headings, PRICE_WORDS)
  const { made } = importPrices(table, columns, { markUpPercent: 0, minorUnits: 1000 })
  const wrong: string[] = []
  const open: string[] = []
  const offers = new Map(made.map((offer) => [offer.module.article, offer]))
  for (const [article, truth] of Object.entries(rows)) {
    const offer = offers.get(article)
    if (!offer) {
      open.push(article)
      continue
    }
    const said = {
      price: offer.price / 1000,
      stock: offer.stock,
      leadDays: offer.leadDays,
      gib: offer.module.capacityGiB,
    }
    for (const what of ['price', 'stock', 'leadDays', 'gib'] as const) {
      if (truth[what] === undefined || said[what] === truth[what]) continue
      if (said[what] === null) open.push(`${article} ${what}`)
      else wrong.push(`${article} ${what} ${said[what]}, not ${truth[what]}`)
    }
  }
  for (const article of offers.keys()) {
    if (!(article in rows)) wrong.push(`${article} is an offer`)
  }
  return { outcome: outcomeOf(wrong, open, made.length === 0), wrong, open }
}

export function judgeLog({ text, installedGiB, gib }: LogCase): Judged {
  const table = parseTable(text)
  if (!table) return { outcome: 'missed', wrong: [], open: ['table'] }
  const { samples } = readMemoryLog(table, guessLogColumns(table), installedGiB)
  const wrong = gib.flatMap((truth, at) => {
    const said = samples[at]?.gib
    return said === undefined || Math.abs(said - truth) <= truth * 0.02
      ? []
      : [`sample ${at + 1} ${said}, not ${truth}`]
  })
  const open = samples.length < gib.length ? ['samples'] : []
  return { outcome: outcomeOf(wrong, open, samples.length === 0), wrong, open }
}
