import type { ModuleFigures } from '../facts'

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

/** Words for the form, the surest first; each says what else it says by itself. */
const FORM_WORDS: readonly [RegExp, KindFigures][] = [
  [/\bLP-?CAMM\d?\b|\bCAMM\d?\b/, { formFactor: 'CAMM2' }],
  [/\bCSO-?DIMM/, { formFactor: 'SODIMM', buffering: 'clocked' }],
  [/\bCU-?DIMM/, { formFactor: 'DIMM', buffering: 'clocked' }],
  [/SO-? ?R-?DIMM/, { formFactor: 'SODIMM', buffering: 'registered', ecc: true }],
  [/SO-? ?U?DIMM|\b(?:200|204|260|262)-? ?PIN/, { formFactor: 'SODIMM', buffering: 'unbuffered' }],
  [/\bL-?R-?DIMM/, { formFactor: 'DIMM', buffering: 'load-reduced', ecc: true }],
  [/\bR-?DIMM/, { formFactor: 'DIMM', buffering: 'registered', ecc: true }],
  [/\bU-?DIMM|LONG-?DIMM/, { formFactor: 'DIMM', buffering: 'unbuffered' }],
  [/(?<![A-Z])DIMM|\b(?:184|240|288)-? ?PIN/, { formFactor: 'DIMM' }],
]

/** Words that say how it is buffered, whatever the form. */
const BUFFERING_WORDS: readonly [RegExp, KindFigures][] = [
  [/LOAD[- ]?REDUCED/, { buffering: 'load-reduced', ecc: true }],
  [/UNREGISTERED|UNBUFFERED|NON-?REG|\bUNBUFF\b/, { buffering: 'unbuffered' }],
  [/\bREGISTERED|\bREG\b|\bBUFFERED/, { buffering: 'registered', ecc: true }],
  [/\bCLOCKED\b/, { buffering: 'clocked' }],
]

const NOT_MEANT = /ON-?DIE[- ]ECC|OD-?ECC/g
const NO_ECC = /NON[- ]?ECC|NO ECC|W\/O ECC|WITHOUT ECC/

/** What words say about the kind of module; only what is printed. Text in upper case. */
export function kindInWords(text: string): KindFigures {
  const kind: KindFigures = {}
  // Nearly all words of a kind have one of these in them.
  if (!/DIMM|CAMM|PIN|REG|BUFF|REDUCED|ECC|CLOCKED/.test(text)) return kind
  const plain = text.replace(NOT_MEANT, ' ')
  Object.assign(kind, FORM_WORDS.find(([word]) => word.test(plain))?.[1])
  Object.assign(kind, BUFFERING_WORDS.find(([word]) => word.test(plain))?.[1])
  if (NO_ECC.test(plain)) kind.ecc = false
  else if (/\bECC\b/.test(plain)) kind.ecc = true
  return kind
}
