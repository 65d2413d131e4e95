import { DESKTOP_WORDS, LAPTOP_WORDS, type ModuleFigures, withPlainDenials } from '../facts'

export type KindFigures = Partial<Pick<ModuleFigures, 'formFactor' | 'buffering' | 'ecc'>>

/** The module type letter of the label form. Registered and load-reduced modules carry ECC. */
const LETTERS: Readonly<Record<string, KindFigures>> = {
  U: { formFactor: 'DIMM', buffering: 'unbuffered', ecc: false },
  E: { formFactor: 'DIMM', buffering: 'unbuffered', ecc: true },
  S: { formFactor: 'SODIMM', buffering: 'unbuffered', ecc: false },
  T: { formFactor: 'SODIMM', buffering: 'unbuffered', ecc: true },
  R: { formFactor: 'DIMM', buffering: 'registered', ecc: true },
  L: { formFactor: 'DIMM', buffering: 'load-reduced', ecc: true },
}

export const kindOfLetter = (letter: string): KindFigures | undefined => LETTERS[letter]

/** Words for the form, the more particular first; each says what else it says by itself. */
const FORM_WORDS: readonly [RegExp, KindFigures][] = [
  [
    /\b(?:SOLDERED|ON-?BOARD|ON BOARD|AUFGELOTET|VERLOTET|FEST VERBAUT|SOUDEE?S?|SOLDAD[AO]S?|SALDAT[AO]|WLUTOWAN\w*)\b/,
    { formFactor: 'soldered' },
  ],
  [/\bLP-?CAMM\d?\b|\bCAMM\d?\b/, { formFactor: 'CAMM2' }],
  [/\bCSO-?DIMM/, { formFactor: 'SODIMM', buffering: 'clocked' }],
  [/\bCU-?DIMM/, { formFactor: 'DIMM', buffering: 'clocked' }],
  [/S[O0]-? ?R-?DIMM/, { formFactor: 'SODIMM', buffering: 'registered', ecc: true }],
  [
    /\bS\.?[O0]\.?[- ]?U?DIMM|S[O0]-? ?U?DIMM|SMALL[- ]OUTLINE(?:[- ]DIMM)?/,
    { formFactor: 'SODIMM', buffering: 'unbuffered' },
  ],
  [
    /\b(?:200|204|260|262)-? ?(?:PINS?|POLIG|POLE)\b/,
    { formFactor: 'SODIMM', buffering: 'unbuffered' },
  ],
  [/\bL-?R-?DIMM/, { formFactor: 'DIMM', buffering: 'load-reduced', ecc: true }],
  [/\bR-?DIMM/, { formFactor: 'DIMM', buffering: 'registered', ecc: true }],
  [/\bU-?DIMM|LONG-?DIMM/, { formFactor: 'DIMM', buffering: 'unbuffered' }],
  [/\b(?:184|240|288)-? ?(?:PINS?|POLIG|POLE)\b/, { formFactor: 'DIMM' }],
]

/** `DIMM` alone: what nothing else says more of. */
const PLAIN_DIMM = /(?<![A-Z])DIMM(?!-(?:SIZE|SPEED|TYPE|STATUS))/
/** The machine it is sold for. */
const SOLD_FOR: readonly [RegExp, KindFigures][] = [
  [LAPTOP_WORDS, { formFactor: 'SODIMM' }],
  [DESKTOP_WORDS, { formFactor: 'DIMM' }],
]

/** Forms that no machine here takes. */
const OTHER_FORMS = /\bMICRO-? ?DIMM|\bMINI-? ?[UR]?-?DIMM|\bVLP-? ?MINI/
/** The name of a slot, which is no form: `CHANNELA-DIMM0`, `DIMM-A2`. */
const SLOT_NAMES =
  /\b(?:CHANNEL|CHAN|CONTROLLER|NODE|CPU|P)[A-Z0-9 -]*?-?DIMM[- ]?[A-Z]?\d\b|\bDIMM[- ]?[A-P]\d\b|\bDIMM ?#?\d{1,2}\b(?![.,]\d| ?[GM]I?B)/g

/** Words that say how it is buffered, whatever the form. */
const BUFFERING_WORDS: readonly [RegExp, KindFigures][] = [
  [/LOAD[- ]?REDUCED/, { buffering: 'load-reduced', ecc: true }],
  [
    /UN-?REGISTERED|UN-?BUFFERED|UNGEPUFFERT|NON-?REG|NON-(?:BUFFERED|GEPUFFERT)|\bUNBUFF\b/,
    { buffering: 'unbuffered' },
  ],
  [/\bREGISTERED|\bREG\b|\bBUFFERED/, { buffering: 'registered', ecc: true }],
  [/\bCLOCKED\b/, { buffering: 'clocked' }],
]

const NOT_MEANT = /ON-?DIE[- ]ECC|OD-?ECC/g
const NO_ECC = /NON[- ]?ECC/g

/** Kind of a module by the words of a line, and the figures that the words contradict each other on. */
export interface KindInWords {
  kind: KindFigures
  /** Figures that the words contradict each other on; `kind` leaves them out. */
  contradicts: readonly (keyof KindFigures)[]
  /** A form that no machine here takes. */
  isOtherForm: boolean
}

const NOTHING: KindInWords = { kind: {}, contradicts: [], isOtherForm: false }

/** Only what is printed counts. Text as `tidyLettering` makes it. */
export function kindInWords(text: string): KindInWords {
  // Nearly all words of a kind have one of these in them.
  if (
    !/DIMM|CAMM|PIN|POL|REG|BUFF|REDUCED|ECC|CLOCKED|OUTLINE|SOLD|BOARD|LOTET|VERBAUT|SOUD|SALDAT|WLUTOW/.test(
      text,
    ) &&
    !isSoldFor(text)
  ) {
    return NOTHING
  }
  const plain = withPlainDenials(text.replace(SLOT_NAMES, ' ')).replace(NOT_MEANT, ' ')
  const isOtherForm = OTHER_FORMS.test(plain)
  const form = isOtherForm ? NO_FORM : formIn(plain)
  const kind: KindFigures = { ...form.kind }
  Object.assign(kind, BUFFERING_WORDS.find(([word]) => word.test(plain))?.[1])
  const contradicts: (keyof KindFigures)[] = form.isDoubtful ? ['formFactor'] : []
  const denied = /NON[- ]?ECC/.test(plain)
  const said = /\bECC\b/.test(denied ? plain.replace(NO_ECC, ' ') : plain)
  if (denied && said) {
    delete kind.ecc
    contradicts.push('ecc')
  } else if (denied || said) kind.ecc = said
  return { kind, contradicts, isOtherForm }
}

const isSoldFor = (text: string): boolean => SOLD_FOR.some(([words]) => words.test(text))

interface Form {
  kind: KindFigures
  /** Two words name two forms. */
  isDoubtful: boolean
}

const NO_FORM: Form = { kind: {}, isDoubtful: false }

function formIn(text: string): Form {
  let rest = text
  const found: KindFigures[] = []
  for (const [word, figures] of FORM_WORDS) {
    if (!word.test(rest)) continue
    found.push(figures)
    rest = rest.replace(word, ' ')
  }
  for (const [words, figures] of SOLD_FOR) if (words.test(text)) found.push(figures)
  const [first] = found
  if (!first)
    return PLAIN_DIMM.test(rest) ? { kind: { formFactor: 'DIMM' }, isDoubtful: false } : NO_FORM
  if (found.every(({ formFactor }) => formFactor === first.formFactor)) {
    return { kind: Object.assign({}, ...found.toReversed()), isDoubtful: false }
  }
  const { formFactor: _, ...others } = first
  return { kind: others, isDoubtful: true }
}
