/** Fewer digits than this are no phone number that somebody looks for. */
const FEWEST_DIGITS = 4

/**
 * The forms of digits that a typed phone number, or its beginning, may be stored under: without zeros in
 * front, and where it is typed with a country's code, without one, two or three digits of that. Empty where
 * the text is none.
 */
export function phoneForms(text: string): string[] {
  const typed = text.trim()
  if (!/^[+(\d][\d\s()./-]*$/.test(typed)) return []
  const bare = (digits: string) => digits.replace(/^0+/, '')
  const digits = bare(typed.replace(/\D/g, ''))
  const abroad = /^([+]|00)/.test(typed)
  const forms = abroad ? [0, 1, 2, 3].map((count) => bare(digits.slice(count))) : [digits]
  return [...new Set(forms)].filter(({ length }) => length >= FEWEST_DIGITS)
}
