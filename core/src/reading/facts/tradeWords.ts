/**
 * Words of the trade in the languages that customers and suppliers write (English, German, French, Spanish, Italian,
 * Polish, Dutch, Swedish), as they stand in a text that `plainLetters` has been over.
 */

/** Letters that Unicode does not take apart. */
const LETTERS: Readonly<Record<string, string>> = {
  Ł: 'L',
  Ø: 'O',
  Đ: 'D',
  Æ: 'AE',
  Œ: 'OE',
  ß: 'SS',
}

/** A text in upper case without accents. */
export function plainLetters(text: string): string {
  const upper = text.toUpperCase()
  if (!/[^ -~]/.test(upper)) return upper
  return upper
    .normalize('NFD')
    .replace(/\p{M}+/gu, '')
    .replace(/[ŁØĐÆŒß]/g, (letter) => LETTERS[letter] as string)
}

const NOT =
  'NON|NO|NOT|WITHOUT|W/O|KEIN|KEINE|KEINEN|OHNE|NICHT|SANS|PAS DE|SIN|BEZ|NIE|SENZA|GEEN|NIET|ZONDER|UTAN|EJ|INTE'
const NO = 'NO|NOT|NON|NEIN|NIE|NEE|NEJ|FALSE|OFF|NONE|KEIN|KEINE'
const YES = 'YES|JA|OUI|SI|TAK|TRUE|ON'

/** Denied features, whether the word for no stands before or behind: `NON-ECC`, `NON-REGISTERED`, `NON-BUFFERED`. */
const DENIED = '(ECC|REGISTERED|REG|BUFFERED|GEPUFFERT)'
const DENIALS: readonly [RegExp, string][] = [
  [new RegExp(`\\b(?:${NOT})[ -]?${DENIED}\\b`, 'g'), 'NON-$1'],
  [
    new RegExp(`\\b(?<!NON-)${DENIED} ?[:=]? ?\\(?(?:${NO})\\b(?![- ]?(?:ECC|REG|BUFF))`, 'g'),
    'NON-$1',
  ],
  [new RegExp(`\\b(?<!NON-)${DENIED}-?(?:FREE|FREI|LOS)\\b`, 'g'), 'NON-$1'],
  [new RegExp(`\\b${DENIED} ?[:=]? ?(?:${YES})\\b`, 'g'), '$1'],
]

/** Denials of ECC, registers and buffers in one form, whatever language they are in. */
export function withPlainDenials(text: string): string {
  if (!/ECC|REG|BUFFER|PUFFER/.test(text)) return text
  return DENIALS.reduce((plain, [words, form]) => plain.replace(words, form), text)
}

/** Units of capacity as other languages write them: octets in French, the word in full. */
const UNITS: readonly [RegExp, string][] = [
  [/(?<=\d) ?(?:GIO?|GO|GIGA-?(?:BYTES?|OCTETS?)|GBYTES?)(?![A-Z0-9])/g, 'GB'],
  [/(?<=\d) ?(?:MIO?|MO|MEGA-?(?:BYTES?|OCTETS?)|MBYTES?)(?![A-Z0-9])/g, 'MB'],
]

export function withPlainUnits(text: string): string {
  if (!/\d ?[GM](?:I?O|I(?![A-Z])|IGA|EGA|BYTE)/.test(text)) return text
  return UNITS.reduce((plain, [words, unit]) => plain.replace(words, unit), text)
}

/** A module, one of several: `2 RIEGEL`, `2 BARRETTES`. */
export const PIECES_WORD =
  '(?:PIECES?|PCS?\\.?|STICKS?|MODULES?|MODULI|MODULOS?|MODUL[EY]?|BARRETTES?|RIEGEL|STUCK|STK\\.?|SZT\\.?|SZTUKI|UNITES?|UNIDADES?|STUKS?|ST\\.)'

/** Between a count and what is counted: `2 OF 8GB`, `2 BARRETTES DE 8GB`. */
export const EACH_WORD = '(?:OF|DE|DA|A|VON|PO|VAN|MIT JE|JE|EACH)'

/** The kind of machine it is sold for. */
export const LAPTOP_WORDS =
  /\bLAPTOP|\bNOTEBOOK|\bPORTABLES?\b|\bPORTATIL(?:ES|E)?\b|\bPRZENOSN|\bBARBAR/
export const DESKTOP_WORDS =
  /\bDESKTOP|\bSOBREMESA\b|\bSTACJONARN|\bDE BUREAU\b|\bFISSO\b|\bTISCHRECHNER\b|\bSTATIONAR/

/** Things that have a capacity, perhaps a kind of memory too, and are no memory module. */
export const OTHER_THINGS =
  /GDDR|DDR-T\b|\bGRAPHICS? (?:CARD|MEMORY)|\bGRAFIKKARTE|\bCARTE GRAPHIQUE|\bVIDEO (?:CARD|MEMORY)|\bVRAM\b|\bSSD\b|\bHDD\b|\bSSHD\b|\bNVME\b|\bM\.2\b|\bHARD ?DIS[KC]|\bDISK\b|\bFESTPLATTE|\bDISQUE DUR|\bCACHE\b|\bFLASH\b|\bUSB\b|MICROSD|\bSD(?:HC|XC)? ?CARD|\bEMMC\b|\bPERSISTENT\b|\bPRINTER|\bROUTER\b|\bCAMERA\b/

/** Beginnings of a line about memory that is wanted, not there. */
export const WISHES =
  /^(?:NEED|NEEDS|NEEDED|WANT|WANTS|WANTED|LOOKING FOR|TO ORDER|SUCHE|BRAUCHE|BENOTIGT|CHERCHE|A COMMANDER|BUSCO|NECESITO|CERCO|SZUKAM|POTRZEBA|GEZOCHT|BESTELLEN)\b/

/** Serial numbers that firmware and makers put where there is none. */
const NO_SERIAL =
  /^(?:0+|F+|X+|1234567(?:8(?:9(?:0)?)?)?|SERNUM\d*|SERIAL ?(?:NUMBER)?\d*|UNKNOWN|NONE|NO|N\/?A|NULL|EMPTY|NOT ?\w*|UNDEFINED|DEFAULT ?\w*|-+|\?+)$/i

/** A serial number, or undefined where what stands there is none. */
export function realSerial(text: string | null | undefined): string | undefined {
  const plain = text?.trim()
  return plain && !NO_SERIAL.test(plain) ? plain : undefined
}
