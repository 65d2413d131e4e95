/** Runs as somebody typed them, or what of it is no run. */
export type TypedRuns = { runs: number[]; fault: null } | { runs: null; fault: TypedFault }

export interface TypedFault {
  /** Which run, from 1, and what was typed for it. */
  at: number
  text: string
  /** `comma`: it may part thousands or decimals; `time`: minutes and seconds in a test that gives no time. */
  why: 'no-figure' | 'comma' | 'time'
}

/** How many so many seconds are in a unit of time. */
const SECONDS: Readonly<Record<string, number>> = { s: 1, min: 60, h: 3600 }

/**
 * Reads runs with blanks, lines, semicolons or commas between, as `31.5, 31.2`, `31,5 31,2` or, where the
 * test gives a time, `1:20`. The test’s own unit may stand behind a figure.
 */
export function typedRuns(text: string, unit: string): TypedRuns {
  const tokens = text
    .split(/[\s;]+|,(?=\s)|,$/)
    .flatMap((token) => (token.includes('.') && token.includes(',') ? apart(token) : [token]))
    .flatMap((token) =>
      /^\d+(,\d+){2,}$/.test(token) && !isThousands(token) ? token.split(',') : [token],
    )
    .filter((token) => token !== '' && token.toLowerCase() !== unit.toLowerCase())
  const runs: number[] = []
  for (const [at, token] of tokens.entries()) {
    const read = figureOf(token, unit)
    if (typeof read === 'string')
      return { runs: null, fault: { at: at + 1, text: token, why: read } }
    runs.push(read)
  }
  return { runs, fault: null }
}

/** `31.5,31.2` are two, `1,234.5` is one. */
const apart = (token: string): string[] =>
  /^\d{1,3}(,\d{3})+\.\d+$/.test(token) ? [token.replaceAll(',', '')] : token.split(',')

const isThousands = (token: string): boolean => /^\d{1,3}(,\d{3})+$/.test(token)

function figureOf(token: string, unit: string): number | TypedFault['why'] {
  const own = unit !== '' && token.toLowerCase().endsWith(unit.toLowerCase())
  const plain = own ? token.slice(0, -unit.length) : token
  if (/^\d+(:\d{1,2}){1,2}([.,]\d+)?$/.test(plain)) {
    const seconds = SECONDS[unit]
    if (!seconds) return 'time'
    const parts = plain.replace(',', '.').split(':').map(Number)
    return positive(parts.reduce((sum, part) => 60 * sum + part, 0) / seconds)
  }
  // 1,234 may be a thousand or one and a bit.
  if (isThousands(plain)) return /^0/.test(plain) ? positive(decimal(plain)) : 'comma'
  return positive(
    /^\d+,\d+$/.test(plain) ? decimal(plain) : Number(plain === '' ? Number.NaN : plain),
  )
}

const decimal = (text: string): number => Number(text.replace(',', '.'))

const positive = (figure: number): number | 'no-figure' =>
  figure > 0 && Number.isFinite(figure) ? figure : 'no-figure'
