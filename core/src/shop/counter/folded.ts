/** Letters that Unicode does not take apart, in small letters. */
const LETTERS: Readonly<Record<string, string>> = {
  ß: 'ss',
  æ: 'ae',
  œ: 'oe',
  þ: 'th',
  ø: 'o',
  ł: 'l',
  đ: 'd',
  ð: 'd',
  ħ: 'h',
  ı: 'i',
  '×': 'x',
}
const QUOTES = /['"`´‘-‟ʹ-ʽ]/g
const DASHES = /[‐-―−]/g
const UNITS = /(\d) +(gb|gib|mb|mt\/s|mhz)\b/g

/**
 * A text as it is searched: small letters without accents or quotes, every dash a hyphen, no blank before a unit. The
 * database does the same to what it stores, by its function `folded`.
 */
export const folded = (text: string): string =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[ßæœþøłđðħı×]/g, (letter) => LETTERS[letter] as string)
    .replaceAll('\u00a0', ' ')
    .replace(QUOTES, '')
    .replace(DASHES, '-')
    .replace(UNITS, '$1$2')

/** Umlauts as they are spelt where a keyboard has none. */
const SPELT: Readonly<Record<string, string>> = { ä: 'ae', ö: 'oe', ü: 'ue', å: 'aa' }

/** The forms under which a text is found: without its accents, and with its umlauts spelt in two letters. */
export function spellings(text: string): string[] {
  const spelt = text
    .toLowerCase()
    .normalize('NFC')
    .replace(/[äöüå]/g, (letter) => SPELT[letter] as string)
  return [...new Set([folded(text), folded(spelt)])]
}

/** The words of a search, each in every way it may be spelt. */
export function searchWords(search: string): string[][] {
  const [plain = '', spelt = plain] = spellings(search).map((form) => form.trim())
  const others = spelt.split(/\s+/)
  return plain
    .split(/\s+/)
    .map((word, at) => [...new Set([word, others[at] ?? word])].filter(Boolean))
    .filter((forms) => forms.length > 0)
}

/** Tells whether a text has every word of a search, however either is spelt. */
export function matcherOf(search: string): (text: string) => boolean {
  const words = searchWords(search)
  if (words.length === 0) return () => true
  return (text) => {
    const said = spellings(text).join(' ')
    return words.every((forms) => forms.some((word) => said.includes(word)))
  }
}

/** Whether two words differ by one letter more, less or other, or by two that changed places. */
export function isOneSlip(a: string, b: string): boolean {
  const [short, long] = [...[a, b].sort((x, y) => x.length - y.length)] as [string, string]
  if (a === b || long.length - short.length > 1) return false
  let at = 0
  while (at < short.length && short[at] === long[at]) at += 1
  if (short.length < long.length) return short.slice(at) === long.slice(at + 1)
  const swapped = short[at] === long[at + 1] && short[at + 1] === long[at]
  return (
    short.slice(at + 1) === long.slice(at + 1) ||
    (swapped && short.slice(at + 2) === long.slice(at + 2))
  )
}
