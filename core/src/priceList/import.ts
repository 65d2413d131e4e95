import {
  type Buffering,
  type FormFactor,
  GENERATIONS,
  type Generation,
  Module,
  type Speed,
  STANDARD_STEPS,
  USUAL_VOLTAGE,
  usualSpeed,
} from '../model'
import { type ModuleFigures, read, readRateName } from '../readings'
import { Offered, offeredKey, type PriceColumn } from '../records'
import { type Columns, type ColumnWords, numberIn, readRows, type Table } from '../tables'

/** Words that headings of price lists have in them. */
export const PRICE_WORDS: ColumnWords<PriceColumn> = {
  price: [/price|net|gross|eur|usd|gbp|€|\$|£|cost/i],
  stock: [/stock|available|avail|qty|quantity|on hand/i],
  leadDays: [/lead|delivery|days/i],
  article: [/article|part ?(no|number)|order ?code|\bsku\b/i, /part|code|item|model|name/i],
  label: [/label|description|specification|spec\b|text/i],
  generation: [/generation|^gen|type|technology/i],
  form: [/form|socket|package/i],
  pieces: [/kit|pieces|pcs|pack/i],
  capacityGiB: [/capacity|size|\bgi?b\b/i],
  dataRate: [/rate|speed|mt\/?s|mhz/i],
  cl: [/^cl$|latency|cas/i],
  ranks: [/rank/i],
  width: [/width|organi[sz]ation/i],
  ecc: [/\becc\b/i],
}

export interface PriceTerms {
  /** Put on every price, in per cent. */
  markUpPercent: number
  /** Minor units to a unit of money: 100, or 1 where there are none. */
  minorUnits: number
}

/**
 * The offers of a price list, and the rows that make none. What columns do not say is taken from the
 * label text; ranks, width and timings that neither says are as usual. An article that comes twice
 * counts the first time.
 */
export function importPrices(table: Table, columns: Columns<PriceColumn>, terms: PriceTerms) {
  const seen = new Set<string>()
  return readRows(table, columns, (cell: (column: PriceColumn) => string) => {
    const offer = offerOf(cell, terms)
    if (typeof offer === 'string') return offer
    const key = offeredKey(offer)
    if (seen.has(key)) return 'This article stands further up already.'
    seen.add(key)
    return offer
  })
}

function offerOf(cell: (column: PriceColumn) => string, terms: PriceTerms): Offered | string {
  const article = cell('article')
  if (article === '') return 'The article is missing.'
  const asked = numberIn(cell('price'))
  if (asked === null) return 'The price is missing, or no amount.'
  if (asked < 0) return 'The price is below nothing.'
  const module = moduleOf(article, cell)
  if (typeof module === 'string') return module
  const amount = asked * (1 + terms.markUpPercent / 100) * terms.minorUnits
  const offer = Offered.safeParse({
    module,
    price: Math.round(amount),
    stock: stockIn(cell('stock')),
    leadDays: leadIn(cell('leadDays')),
  })
  return offer.success ? offer.data : (offer.error.issues[0]?.message ?? 'It makes no offer.')
}

function moduleOf(article: string, cell: (column: PriceColumn) => string): Module | string {
  const said = labelled(cell('label'))
  const generation = generationIn(cell('generation')) ?? said.generation
  if (!generation) return 'The generation is not said.'
  const formFactor = formIn(cell('form')) ?? said.formFactor
  if (!formFactor) return 'The form (full-size or small-outline) is not said.'
  const sizes = /(\d+)\s*[x×]\s*(\d.*)/i.exec(cell('capacityGiB'))
  const capacityGiB = capacityIn(sizes?.[2] ?? cell('capacityGiB')) ?? said.capacityGiB
  if (capacityGiB === undefined) return 'The capacity is not said.'
  const dataRate = rateIn(cell('dataRate'), generation) ?? said.speeds?.[0]?.dataRate
  if (dataRate === undefined) return 'The rate is not said.'
  const pieces = wholeIn(cell('pieces')) ?? wholeIn(sizes?.[1] ?? '') ?? 1
  const module = {
    article,
    generation,
    formFactor,
    buffering: said.buffering ?? bufferingIn(cell('form')),
    ecc: /^(y|yes|true|1|ecc|x)$/i.test(cell('ecc').trim()) || (said.ecc ?? false),
    capacityGiB,
    ranks: wholeIn(cell('ranks')) ?? said.ranks ?? 1,
    deviceWidth: wholeIn(cell('width').replace(/^.*[x×]/i, '')) ?? said.deviceWidth ?? 8,
    voltages: said.voltages ?? [USUAL_VOLTAGE[generation]],
    speeds: speedsOf(generation, dataRate, wholeIn(cell('cl')) ?? said.speeds?.[0]?.cl),
    kit: pieces > 1 ? { id: article, size: pieces } : null,
  }
  const parsed = Module.safeParse(module)
  if (parsed.success) return parsed.data
  const [issue] = parsed.error.issues
  return `${String(issue?.path[0])}: ${issue?.message}`
}

function labelled(text: string): Partial<ModuleFigures> {
  const [module] = text === '' ? [] : read(text).modules
  return module?.module ?? {}
}

/** The rate it is sold for, and the standard steps beneath it that such modules carry as well. */
function speedsOf(generation: Generation, dataRate: number, cl: number | undefined): Speed[] {
  const top = usualSpeed(generation, dataRate)
  const lower = STANDARD_STEPS[generation].filter((step) => step < dataRate).slice(-2)
  return [
    cl === undefined ? top : { ...top, cl },
    ...lower.map((step) => usualSpeed(generation, step)),
  ]
}

function generationIn(text: string): Generation | undefined {
  const plain = text.toUpperCase().replace(/[\s-]/g, '')
  return [...GENERATIONS]
    .sort((a, b) => b.length - a.length)
    .find((generation) => plain.includes(generation))
}

function formIn(text: string): FormFactor | undefined {
  if (/camm/i.test(text)) return 'CAMM2'
  if (/so-?\s?dimm|small|laptop|notebook|262|260|204|200/i.test(text)) return 'SODIMM'
  return /dimm|full|desktop|288|240/i.test(text) ? 'DIMM' : undefined
}

function bufferingIn(text: string): Buffering {
  if (/\bl-?r-?dimm|load/i.test(text)) return 'load-reduced'
  if (/\br-?dimm|registered/i.test(text)) return 'registered'
  return /\bcu-?dimm|clocked/i.test(text) ? 'clocked' : 'unbuffered'
}

/** `16`, `16GB`, `16384 MB`. */
function capacityIn(text: string): number | undefined {
  const figure = numberIn(text)
  if (figure === null) return undefined
  return /mi?b/i.test(text) ? figure / 1024 : figure
}

/** `3200`, `DDR4-3200`, `PC4-25600`. */
function rateIn(text: string, generation: Generation): number | undefined {
  if (text.trim() === '') return undefined
  const figure = wholeIn(text.match(/\d{3,5}/g)?.at(-1) ?? '')
  if (figure === undefined) return undefined
  if (!/pc/i.test(text)) return figure
  return readRateName(text).find((one) => one.generation === generation)?.dataRate ?? figure
}

function wholeIn(text: string): number | undefined {
  const figure = text.match(/\d+/)?.[0]
  return figure === undefined ? undefined : Number(figure)
}

/** `12`, `>50`, `yes`, `out of stock`. */
function stockIn(text: string): number | null {
  const figure = wholeIn(text)
  if (figure !== undefined) return figure
  return /^(no|none|out|sold out|-)/i.test(text.trim()) ? 0 : null
}

/** `3`, `2 days`, `2 weeks`. */
function leadIn(text: string): number | null {
  const figure = wholeIn(text)
  if (figure === undefined) return null
  return /week|wk/i.test(text) ? figure * 7 : figure
}
