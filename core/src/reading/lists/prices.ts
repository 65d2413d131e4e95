import {
  type Buffering,
  type FormFactor,
  GENERATIONS,
  type Generation,
  Module,
  type Speed,
  STANDARD_STEPS,
  usualOrganisation,
  usualSpeed,
  usualTimes,
  usualVoltages,
} from '../../things/model'
import { Offered, offeredKey, type PriceColumn, type PricesMeant } from '../../things/records'
import {
  type ColumnHeadings,
  type ColumnStyle,
  type ColumnWords,
  columnStyle,
  type NumbersWritten,
  numberIn,
  numberOf,
  numberWritten,
  readRows,
  type Table,
} from '../../things/tables'
import { LOW_STANDARD } from '../evidence'
import {
  type ModuleFigures,
  moduleFigures,
  modulesRead,
  type ReadSpeed,
  read,
  readRateName,
  speedKind,
} from '../inputs'

/** Headings with an amount that is no price of a piece: by the GB, from so many pieces on. */
const NO_PRICE =
  /(?:\/|\bper|\bpro|\bje|\bpar|\bpor|\bal) ?g[bo]\b|\bfrom \d|\bab \d|\bdes \d|a partir|\bdesde \d|\bod \d|\d ?\+|>=? ?\d/
    .source
const NOT_OURS =
  /\brrp\b|recommended|suggested|retail|m?srp\b|list price|\bold\b|before|street|\buvp\b|listenpreis|\balt(?:er)?\b|conseille|barre|\bpvp\b|recomendado|consigliato|sugerowan|adviesprijs/
    .source
const AMOUNT =
  /price|gross|eur|usd|gbp|€|\$|£|cost|preis|prix|tarif|precio|prezzo|\bcena|prijs|\bht\b|\bttc\b|netto|brutto|montant|importe/
    .source

/** Words that headings of price lists have in them, in the languages of suppliers. */
export const PRICE_WORDS: ColumnWords<PriceColumn> = {
  price: [
    new RegExp(
      `^(?!.*(?:${NO_PRICE})).*(?:\\b(?:your|dealer|trade|purchase|buying|net|netto|einkauf\\w*|ek|ht)\\b|^cost)`,
      'i',
    ),
    new RegExp(`^(?!.*(?:${NO_PRICE}|${NOT_OURS})).*(?:${AMOUNT})`, 'i'),
    new RegExp(`^(?!.*(?:${NO_PRICE})).*(?:${AMOUNT})`, 'i'),
  ],
  stock: [
    /^(?!.*\bmin).*(?:stock|available|avail|qty|quantity|on hand|lager|bestand|verfugbar|menge|disponib|quantite|existencias|giacenza|dostepn|\bstan\b|voorraad)/i,
  ],
  leadDays: [/lead|delivery|days|liefer|delai|livraison|plazo|entrega|consegna|dostaw|levertijd/i],
  article: [
    /article|artikel|^p\/?n$|part ?(no|number)|order ?code|\bsku\b|bestell|referen|\bref\b|codice|indeks|teilenummer/i,
    /part|code|item|model|name|numer/i,
  ],
  label: [
    /label|description|specification|spec\b|text|bezeichnung|beschreibung|designation|libelle|descrip|^desc\b|descriz|opis|omschrijving/i,
    /product|produkt|produit|producto|prodotto|\bname\b|nazwa|naam|title|\bitem\b/i,
  ],
  generation: [/generation|^gen|type|technology|\btyp\b/i],
  form: [/form|socket|package|bauform/i],
  pieces: [/kit|pieces|pcs|pack|stuckzahl/i],
  capacityGiB: [
    /^(?!.*(?:\/|\bper|\bpro|\bje|\bpar) ?g[bo]\b).*(?:capacity|size|\bgi?b\b|kapazitat|grosse|capacit|capacidad|pojemnosc|taille|tamano)/i,
  ],
  dataRate: [
    /rate|speed|mt\/?s|mhz|takt|geschwindigkeit|frequence|vitesse|frecuencia|velocidad|snelheid/i,
  ],
  cl: [/^cl$|latency|cas|latenz|latence|latencia/i],
  ranks: [/rank/i],
  width: [/width|organi[sz]ation/i],
  ecc: [/\becc\b/i],
}

export interface PriceTerms {
  /** Put on every price, in per cent. */
  markUpPercent: number
  /** Minor units to a unit of money: 100, or 1 where there are none. */
  minorUnits: number
  /** What the capacity of a kit's row is, where the row itself does not tell: of one module, or of all. */
  kitCapacity?: 'each' | 'whole' | null
  /** Meaning of the prices; left out where they are the shop's own as they stand. */
  meant?: PricesMeant
  /** The shop's tax, and whether its own prices are with it. */
  tax?: { percent: number; included: boolean }
  /** Meaning of a mark with three digits behind it in prices, where the column does not tell. */
  markParts?: 'decimals' | 'thousands' | null
}

/** Columns whose numbers are shown as they are read. */
export interface ColumnsWritten {
  prices: NumbersWritten | null
  stocks: NumbersWritten | null
  /** Days to come, and the capacity in GiB. */
  days: NumbersWritten | null
  capacities: NumbersWritten | null
}

/** Readings of one cell of each column of numbers; null where all are plain figures, or the column is not in the list. */
export function numbersWritten(
  table: Table,
  columns: ColumnHeadings<PriceColumn>,
  markParts: PriceTerms['markParts'] = null,
): ColumnsWritten {
  const cellsIn = (column: PriceColumn) => cellsOf(table, columns[column])
  const [prices, stocks] = [cellsIn('price'), cellsIn('stock')]
  const [priced, stocked] = [styleOf(prices, markParts), columnStyle(stocks)]
  const worded = (cells: readonly string[], read: (cell: string) => number | null) => {
    // `2x16GB` is a kit, which the preview shows.
    const example = cells.find((cell) => /\d/.test(cell) && !/^\s*\d+\s*$|[x×]/i.test(cell))
    return example === undefined ? null : { example, value: read(example), doubtful: null }
  }
  return {
    prices: numberWritten(prices, (cell) => numberOf(cell, priced)),
    stocks: numberWritten(stocks, (cell) => stockIn(cell, stocked)),
    days: worded(cellsIn('leadDays'), leadIn),
    capacities: worded(cellsIn('capacityGiB'), (cell) => capacityIn(cell) ?? null),
  }
}

/** The style of the prices, with a mark that is in doubt as somebody said. */
function styleOf(cells: readonly string[], markParts: PriceTerms['markParts']): ColumnStyle {
  const style = columnStyle(cells)
  if (!style.doubtful || !markParts) return style
  return { decimal: markParts === 'decimals' ? style.doubtful : null, doubtful: null }
}

/**
 * The offers of a price list, and the rows that make none. What columns do not say is taken from the
 * label text; ranks, width and timings that neither says are as usual, the first two named as assumed
 * (`Module.assumed`). An article that comes twice counts the first time. `onRows` hears how many rows are done.
 */
export function importPrices(
  table: Table,
  columns: ColumnHeadings<PriceColumn>,
  terms: PriceTerms,
  onRows?: (done: number) => void,
) {
  const seen = new Set<string>()
  const prices = styleOf(cellsOf(table, columns.price), terms.markParts)
  const stocks = columnStyle(cellsOf(table, columns.stock))
  return readRows(
    table,
    columns,
    (cell: (column: PriceColumn) => string) => {
      const offer = offerOf(withUnit(cell, columns.capacityGiB), terms, prices, stocks)
      if (typeof offer === 'string') return offer
      const key = offeredKey(offer)
      if (seen.has(key)) return 'This part number is further up already.'
      seen.add(key)
      return offer
    },
    onRows,
  )
}

/** The cells of a row, a bare capacity with the unit that its heading names. */
const withUnit =
  (cell: (column: PriceColumn) => string, heading = '') =>
  (column: PriceColumn): string => {
    const text = cell(column)
    const isBare = column === 'capacityGiB' && /^\d+$/.test(text)
    return isBare && /\bm(?:i?b|o)\b/i.test(heading) ? `${text} MB` : text
  }

const cellsOf = ({ headings, rows }: Table, heading: string | undefined): string[] => {
  const at = heading === undefined ? -1 : headings.indexOf(heading)
  return rows.map(({ cells }) => cells[at] ?? '')
}

function offerOf(
  cell: (column: PriceColumn) => string,
  terms: PriceTerms,
  prices: ColumnStyle,
  stocks: ColumnStyle,
): Offered | string {
  const article = cell('article')
  if (article === '') return 'The part number is missing.'
  const asked = numberOf(cell('price'), prices)
  if (asked === null) return 'The price is missing, or no amount.'
  if (prices.doubtful && cell('price').includes(prices.doubtful)) {
    return `Is ${cell('price')} above a thousand, or does “${prices.doubtful}” part decimals? Say so above.`
  }
  if (asked < 0) return 'The price is below nothing.'
  if (asked === 0) return 'The price is 0, so there is none yet.'
  const module = moduleOnLabel(article, cell, terms.kitCapacity ?? null)
  if (typeof module === 'string') return module
  const pieces = module.kit?.size ?? 1
  if (pieces > 1 && terms.meant?.kit === null) {
    return `Is ${cell('price')} the price of one module or of the whole kit of ${pieces}? Say so above.`
  }
  const amount = asked * factorOf(terms, pieces) * terms.minorUnits
  const offer = Offered.safeParse({
    module,
    price: Math.round(amount),
    stock: stockIn(cell('stock'), stocks),
    leadDays: leadIn(cell('leadDays')),
  })
  return offer.success ? offer.data : (offer.error.issues[0]?.message ?? 'It makes no offer.')
}

/** A price as the shop asks it, by a price as it stands in the list. */
function factorOf({ markUpPercent, meant, tax }: PriceTerms, pieces: number): number {
  // A price for customers is asked as it is.
  const markUp = meant?.payer === 'customer' ? 1 : 1 + markUpPercent / 100
  const each = meant?.kit === 'each' ? pieces : 1
  const withTax = 1 + (tax?.percent ?? 0) / 100
  const isWith = meant?.tax === 'with'
  const taxed = !tax || !meant?.tax || isWith === tax.included ? 1 : isWith ? 1 / withTax : withTax
  return markUp * each * taxed
}

function moduleOnLabel(
  article: string,
  cell: (column: PriceColumn) => string,
  kitCapacity: PriceTerms['kitCapacity'],
): Module | string {
  const said = labelled(article, cell)
  const generation = generationIn(cell('generation')) ?? said.generation
  if (!generation) return 'The generation is not said.'
  const formFactor = formIn(cell('form')) ?? said.formFactor
  if (!formFactor) return 'The form factor (DIMM, SO-DIMM, CAMM2) is not said.'
  const size = sizeOf(cell, said, kitCapacity)
  if (typeof size === 'string') return size
  const rated = rateIn(cell('dataRate'), generation)
  const [printed] = said.speeds ?? []
  const dataRate = rated ?? printed?.dataRate
  if (dataRate === undefined) return 'The rate is not said.'
  const buffering = said.buffering ?? bufferingIn(cell('form'))
  const cl = wholeIn(cell('cl')) ?? printed?.cl
  const volts = printed?.voltage ?? null
  const printing = { cl: cl ?? null, volts, buffering, labelForm: false }
  const kind =
    printed?.dataRate === dataRate ? printed.kind : speedKind(generation, dataRate, printing)
  const speed = { ...(printed?.dataRate === dataRate ? printed : {}), kind, dataRate }
  const usual = usualOrganisation(generation, size.capacityGiB)
  const ranks = wholeIn(cell('ranks')) ?? said.ranks
  const deviceWidth = wholeIn(cell('width').replace(/^.*[x×]/i, '')) ?? said.deviceWidth
  const assumed = [
    ...(ranks === undefined ? ['ranks'] : []),
    ...(deviceWidth === undefined ? ['deviceWidth'] : []),
  ]
  const speeds = speedsOf(generation, cl === undefined ? speed : { ...speed, cl })
  const times = usualTimes(generation, speeds)
  const module = {
    article,
    generation,
    formFactor,
    buffering,
    ecc: yesOrNo(cell('ecc')) ?? said.ecc ?? false,
    capacityGiB: size.capacityGiB,
    ranks: ranks ?? usual.ranks,
    deviceWidth: deviceWidth ?? usual.deviceWidth,
    ...(assumed.length > 0 ? { assumed } : {}),
    voltages: said.voltages ?? usualVoltages(generation, dataRate),
    speeds,
    ...(times ? { times } : {}),
    kit: size.pieces > 1 ? { id: article, size: size.pieces } : null,
  }
  const parsed = Module.safeParse(module)
  if (parsed.success) return parsed.data
  const [issue] = parsed.error.issues
  return `${String(issue?.path[0])}: ${issue?.message}`
}

/** A column of yes and no wins over the words of a row. */
function yesOrNo(text: string): boolean | null {
  const plain = text.trim()
  if (/^(?:y|yes|ja|j|oui|o|si|tak|true|1|ecc|x)$/i.test(plain)) return true
  return /^(?:n|no|nein|non|nie|nee|false|0|non-?ecc|-)$/i.test(plain) ? false : null
}

/** What the row says in words: its label, or its article where there is none; with its columns where it leaves out the generation. */
function labelled(article: string, cell: (column: PriceColumn) => string): Partial<ModuleFigures> {
  const words = cell('label') || article
  const alone = figuresIn(words)
  if (alone.generation) return alone
  const [generation, rate, cl] = [cell('generation'), cell('dataRate'), cell('cl')].map((one) =>
    one.trim(),
  )
  const named = generation && rate ? `${generation}-${/\d{3,5}/.exec(rate)?.[0] ?? ''}` : generation
  const latency = cl && /^\d+$/.test(cl) ? `CL${cl}` : (cl ?? '')
  return figuresIn([named, latency, cell('form'), words].join(' '))
}

function figuresIn(text: string): Partial<ModuleFigures> {
  const [module] = text.trim() === '' ? [] : modulesRead(read(text).observations)
  return module ? moduleFigures(module.said) : {}
}

/** The capacity of one module, and how many a purchase is. A capacity beside a count may be of one or of all: then it is asked. */
function sizeOf(
  cell: (column: PriceColumn) => string,
  said: Partial<ModuleFigures>,
  kitCapacity: PriceTerms['kitCapacity'],
): { capacityGiB: number; pieces: number } | string {
  const sizes = /(\d+)\s*[x×]\s*(\d.*)/i.exec(cell('capacityGiB'))
  const each = sizes ? capacityIn(sizes[2] as string) : undefined
  const own = sizes ? undefined : capacityIn(cell('capacityGiB'))
  const counted = wholeIn(cell('pieces'))
  const pieces = counted ?? wholeIn(sizes?.[1] ?? '') ?? said.kit?.size ?? 1
  const labelPieces = said.kit?.size
  if (labelPieces !== undefined && counted !== undefined && labelPieces !== counted) {
    return `The label says a kit of ${labelPieces}, the column ${counted}.`
  }
  if (each !== undefined) return { capacityGiB: each, pieces }
  if (own === undefined) {
    return said.capacityGiB === undefined
      ? 'The capacity is not said.'
      : { capacityGiB: said.capacityGiB, pieces }
  }
  if (pieces === 1) return { capacityGiB: own, pieces }
  if (
    said.capacityGiB !== undefined &&
    [said.capacityGiB, said.capacityGiB * pieces].includes(own)
  ) {
    return { capacityGiB: said.capacityGiB, pieces }
  }
  if (!kitCapacity) {
    return `Is ${own} GB one module or the whole kit of ${pieces}? Say so above, or write ${pieces}x${own / pieces}GB.`
  }
  return { capacityGiB: kitCapacity === 'whole' ? own / pieces : own, pieces }
}

/** The speed it is sold for, and the standard steps beneath it that such modules carry as well. */
function speedsOf(generation: Generation, speed: ReadSpeed): Speed[] {
  const { kind, dataRate, cl } = speed
  const usual = usualSpeed(generation, dataRate)
  if (kind === 'profile') {
    const latency = cl ?? usual.cl
    const guessed = { ...usual, cl: latency, trcd: latency, trp: latency, tras: 2 * latency }
    const low = LOW_STANDARD[generation] ?? (STANDARD_STEPS[generation][0] as number)
    return [usualSpeed(generation, low), { ...guessed, ...speed }]
  }
  const lower = STANDARD_STEPS[generation].filter((step) => step < dataRate).slice(-2)
  return [{ ...usual, ...speed }, ...lower.map((step) => usualSpeed(generation, step))]
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

const DATE = /\d{1,4}[./-]\d{1,2}[./-]\d{1,4}/
/** From so many on, or when more comes: no count of what there is. */
const NO_COUNT =
  /\b(?:from|ab|des|a partir|desde|da|od|vanaf|min|expected|erwartet|attendu|arriving|week|woche)\b/i
const NONE_LEFT =
  /^(?:no\b|nein\b|non\b|nie\b|none|out\b|sold out|nicht|ausverkauft|kein|rupture|epuise|indisponible|agotado|sin\b|esaurito|brak|niedostepn|niet|uitverkocht|-)/i

/** `12`, `>50`, `1.200`, `yes`, `out of stock`. */
function stockIn(text: string, style: ColumnStyle): number | null {
  const plain = text
    .normalize('NFD')
    .replace(/\p{M}+/gu, '')
    .trim()
  if (NONE_LEFT.test(plain)) return 0
  if (DATE.test(plain) || NO_COUNT.test(plain)) return null
  const figure = numberOf(plain, { ...style, decimal: style.doubtful ? null : style.decimal })
  return figure === null ? null : Math.floor(figure)
}

/** `3`, `2 days`, `3-5 days` (the longer), `2 weeks`; null for a date. */
function leadIn(text: string): number | null {
  if (DATE.test(text)) return null
  const figures = text.match(/\d+/g)?.map(Number) ?? []
  if (figures.length === 0) return null
  const longest = Math.max(...figures)
  return /week|wk|woche|semaine|semana|settiman|tydzie|tygod|weken/i.test(text)
    ? longest * 7
    : longest
}
