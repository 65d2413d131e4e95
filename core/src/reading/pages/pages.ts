import {
  type FormRead,
  type KindsNamed,
  kindsNamed,
  learn,
  MACHINE,
  plainLetters,
  type Subject,
  subjectOf,
  withPlainUnits,
} from '../facts'

/** Most, in the languages of pages: what follows is a limit, never a module. */
const MOST =
  /\bMAX(?:IM(?:UM|AL\w*|A|O))?\b|\bMAX\.|\bMAKSYMALN\w*|\bUP TO\b|\bJUSQU'?A\b|\bBIS(?: ZU)? (?=\d)|\bHASTA\b|\bFINO A\b|\bTOT (?=\d)|\bEXPANDABLE\b|\bUPGRADE?ABLE TO\b|\bERWEITERBAR\b|\bEXTENSIBLE\b|\bAMPLIABLE\b|\bESPANDIBILE\b|\bROZSZERZ\w*|\bSUPPORTS?\b|\bSUPPORTED\b|\bUNTERSTUTZT/
const PER_SLOT =
  /\bPER (?:SLOT|MODULE|DIMM)|\bPRO (?:SLOT|STECKPLATZ|MODUL)|\bPAR (?:SLOT|EMPLACEMENT)/
const MEMORY =
  /\bMEMORY|\bRAM\b|SPEICHER|\bMEMOIRE|\bMEMORIA|\bPAMIEC|\bGEHEUGEN|\bMINNE|DDR[2-5]|DIMM\b/
const CAPACITY = /(?:(\d) ?[X×*] ?)?(\d{1,4}) ?(GB|TB)(?![A-Z])/
/** A capacity that a word for the most stands before, with nothing but words between, or right behind. */
const LIMITS = [
  new RegExp(`(?:${MOST.source})[^\\d]{0,60}(?<![\\d.])${CAPACITY.source}`),
  new RegExp(`${CAPACITY.source} ?\\(?MAX(?:IMUM|\\.)?(?! ?\\d)`),
]
const limitIn = (text: string): RegExpExecArray | null =>
  LIMITS.map((one) => one.exec(text)).find((one) => one !== null) ?? null
const SLOT =
  '(?:SLOTS?|SOCKETS?|STECKPLATZE?|SPEICHERBANKE?|BANKS?|EMPLACEMENTS?|RANURAS?|SLOTY|GNIAZD[AO]?|SLEUVEN)'
/** `2 SLOTS`, `2 X SO-DIMM SLOTS`, `2 MEMORY SLOTS`. */
const COUNTED_SLOTS = new RegExp(
  `(?<![\\d.])(\\d{1,2}) ?[X×*]? ?(?:(?:SO-? ?|U-?|CAMM\\d?)?DIMM|MEMORY|RAM|SPEICHER|MEMOIRE)?[- ]?${SLOT}(?![A-Z])`,
)
/** Slots that are free or taken: some of them, not how many there are. */
const SOME_SLOTS = new RegExp(
  `${SLOT}[^,;|]{0,6}\\b(?:FREI|FREE|EMPTY|AVAILABLE|OPEN|LEER|LIBRES?|LIBER[IO]|VIDES?|VACI[AO]S?|WOLN\\w*|VRIJ|USED|OCCUPIED|BELEGT|BESETZT|OCCUPES?|OCUPAD[AO]S?|OCCUPAT[IO]|ZAJET\\w*|BEZET)|\\b(?:FREIE?R?|FREE|EMPTY|AVAILABLE|OPEN|LEERE?R?|WOLNE|WOLNY|VRIJE?|USED|OCCUPIED|BELEGTE?R?) (?:(?:SO-? ?)?DIMM[- ]?|MEMORY |RAM[- ]?|SPEICHER)?${SLOT}`,
)
/** `SLOTS: 2`, `NUMBER OF DIMM SLOTS | 4`, `EMPLACEMENTS MEMOIRE : 2`. */
const NAMED_SLOTS = new RegExp(
  `(?:${SLOT}[^:|\\d]{0,30}[:|\\t]|\\b(?:NUMBER OF|LICZBA|ANZAHL|NOMBRE D[E']|NUMERO DE)[A-Z -]{0,20}${SLOT}) ?(\\d{1,2})(?![\\d.]| ?[GM]B)`,
)
/** `4 X DIMM`: a count of slots beside a limit. */
const COUNTED_FORMS = /^\(?(\d{1,2}) ?[X×*] ?(?:SO-? ?|U-?)?DIMMS?\)?$/
/** A field that says what kind of memory the machine takes. */
const SUPPORT =
  /^(?:SUPPORTED )?(?:SYSTEM |INTERNAL |INTERNER )?(?:MEMORY|RAM|ARBEITSSPEICHER|SPEICHER|MEMOIRE|MEMORIA|PAMIEC|GEHEUGEN)(?: ?-?(?:TYPES?|TYP|TECHNOLOGY|SPEEDS?|CLOCK SPEED|FORM FACTOR|STANDARD|VIVE|RAM))*$/
/** The same without a mark between name and value. */
const SUPPORT_ALONE =
  /^(?:SUPPORTED )?(?:SYSTEM |INTERNAL )?(?:MEMORY|RAM) (?:TYPES?|TECHNOLOGY|SPEEDS?) \S/
/** A field that says how much is in the machine as it runs, in all. */
const TOTAL =
  /^(?:TOTAL (?:SYSTEM )?MEMORY|MEMORY SIZE|SYSTEM MEMORY|INSTALLED MEMORY SIZE|GESAMTSPEICHER|MEMOIRE TOTALE|MEMORIA TOTAL)$/
/** Words for memory that is in the machine, not for what it can take. */
const INSTALLED =
  /\bINSTALLED|\bSTANDARD\b(?! FORM)|\bINCLUDED|\bFITTED|\bVERBAUT|\bINSTALLIERT|\bINSTALLEE?\b|\bINSTALADA\b|\bINSTALLATA\b/

/** Every line that says something of a machine's memory has one of these in it; looking behind a unit for its figure is quicker than ahead. */
const MAYBE =
  /[gt]i?[bo](?<=\d ?[gt]i?[bo])|slot|socket|steckpl|emplacement|ranura|gniazd|sleuf|m[eé]m|ram\b|speicher|pami|geheugen|ddr/i

/** Parts of a line that are read by themselves; brackets only where they hold a limit or slots. */
const CLAUSES = new RegExp(
  `, |; |\\| ?| \\+ | / (?=\\D)|\\) ?|\\((?=[^)]*(?:${MOST.source}|${SLOT}))`,
)
/** A count of slots with a limit behind it in the same breath. */
const SLOTS_BEFORE = new RegExp(`\\d ?[X×*] ?(?:SO-? ?|U-?)?DIMM[^,;]*(?:${MOST.source})`)

/** Facts of a machine in a page, and the rest of its lines that may still be a label. */
export interface PageRead {
  part: FormRead | null
  /** By line (index): what is left of it, empty where all of it was of the machine. */
  left: ReadonlyMap<number, string>
}

/**
 * Limits and slots in lines of a page of specifications, as makers and shops print them: `Maximum memory: 32GB
 * DDR4-2400`, `2 SO-DIMM slots`. A maximum makes no module; what is in the machine is left to the reader of labels.
 */
export function readPages(lines: readonly string[], at: readonly number[]): PageRead {
  const machine = subjectOf(MACHINE, 'page')
  const left = new Map<number, string>()
  const ofMachine: { line: number; kinds: KindsNamed }[] = []
  const texts = at
    .filter((n) => MAYBE.test(lines[n] as string))
    .map((n) => ({ n, text: tidy((lines[n] as string).slice(0, 400)) }))
  const isOfMemory = texts.some(({ text }) => MEMORY.test(text))
  for (const { n, text } of texts) {
    const rest = isOfMemory ? withoutMachine(text, machine, n + 1) : null
    if (rest === null) continue
    left.set(n, rest)
    if (rest === '' && !TOTAL.test(/^[^:|\t]*/.exec(text)?.[0]?.trim() ?? '')) {
      ofMachine.push({ line: n + 1, kinds: kindsNamed(text) })
    }
  }
  learnKinds(machine, ofMachine)
  const { observations } = machine
  return { part: left.size === 0 ? null : { format: 'page', observations, problems: [] }, left }
}

/** Learns the kinds that a page names in one way only: a board of two generations or forms has neither for certain. */
function learnKinds(machine: Subject, lines: readonly { line: number; kinds: KindsNamed }[]): void {
  const first = (what: keyof KindsNamed) => lines.find(({ kinds }) => kinds[what].length > 0)
  const only = <Value>(of: (kinds: KindsNamed) => Value[]): Value | null => {
    const [one, another] = [...new Set(lines.flatMap(({ kinds }) => of(kinds)))]
    return another === undefined ? (one ?? null) : null
  }
  const rates = lines.flatMap(({ kinds }) => kinds.rates)
  const place = (what: keyof KindsNamed) => ({ line: first(what)?.line ?? 1 })
  learn(
    machine,
    'generation',
    only(({ generations }) => generations),
    place('generations'),
  )
  learn(
    machine,
    'formFactor',
    only(({ forms }) => forms),
    place('forms'),
  )
  learn(
    machine,
    'channelCount',
    only(({ channels }) => channels),
    place('channels'),
  )
  learn(machine, 'fastestRate', rates.length > 0 ? Math.max(...rates) : null, place('rates'))
}

const tidy = (line: string): string =>
  withPlainUnits(
    plainLetters(line)
      .replace(/[\u2010-\u2015]/g, '-')
      .replace(/\s+/g, ' ')
      .trim(),
  )

/** Takes what is of the machine out of a line; null where nothing in it is. */
function withoutMachine(text: string, machine: Subject, line: number): string | null {
  const [, name = '', value = ''] = /^([^:|\t]{2,50}?) ?[:|\t] ?(.*)$/.exec(text) ?? []
  if (TOTAL.test(name)) return ''
  if (SUPPORT.test(name) && !CAPACITY.test(value)) return ''
  if (SUPPORT_ALONE.test(text) && !CAPACITY.test(text)) return ''
  const hasLimit = limitIn(text) !== null || (MOST.test(name) && CAPACITY.test(value))
  const named = SOME_SLOTS.test(text) ? null : NAMED_SLOTS.exec(text)
  if (named) learn(machine, 'slotCount', slotsIn(named[1]), { line })
  if (named && !hasLimit) return ''
  const isSupport = MOST.test(text) && MEMORY.test(text) && !CAPACITY.test(text)
  if (isSupport) return ''
  if (!hasLimit && (!COUNTED_SLOTS.test(text) || SOME_SLOTS.test(text))) return null
  const clauses = text.split(CLAUSES)
  const limit = MOST.test(name) && !INSTALLED.test(name)
  let isTaken = false
  const rest = clauses.filter((clause) => {
    const near = limitIn(clause)
    const capacity = near ?? (limit ? CAPACITY.exec(clause) : null)
    const isLimit = capacity !== null
    // `1 x SO-DIMM up to 16GB`: of one slot, or of all.
    const isOfSlot = PER_SLOT.test(clause) || SLOTS_BEFORE.test(clause)
    if (capacity && !isOfSlot) {
      const gib = Number(capacity[1] ?? 1) * Number(capacity[2]) * (capacity[3] === 'TB' ? 1024 : 1)
      if (machine.said.maximumGiB === undefined) learn(machine, 'maximumGiB', gib, { line })
    }
    const counted = SOME_SLOTS.test(clause) ? null : COUNTED_SLOTS.exec(clause)
    const slots = counted ?? (hasLimit ? COUNTED_FORMS.exec(clause) : null)
    if (slots) learn(machine, 'slotCount', slotsIn(slots[1]), { line })
    if (isLimit || slots) isTaken = true
    return !isLimit && !slots
  })
  if (!isTaken) return null
  // Beside a limit, kinds and speeds without a capacity are what the machine takes.
  const told = rest.filter((clause) => CAPACITY.test(clause))
  return told.length === 0 ? '' : rest.join(', ')
}

function slotsIn(text: string | undefined): number | undefined {
  const count = Number(text)
  return count >= 1 && count <= 16 ? count : undefined
}
