const SERIAL =
  /(?:\bS\/?N|SERIAL(?: (?:NO|NUMBER))?)[.:# ]+((?:[A-Z0-9]{2,24}(?: |$))+|[A-Z0-9]{4,24})/
const PART = /(?:\bP\/?N|PART (?:NO|NUMBER))[.:# ]+([A-Z0-9][A-Z0-9./-]{2,30})/

/** From here on a first group is a whole serial number, not the beginning of one in groups. */
const WHOLE = 6
/** A group that says something else of a stick. */
const OTHER = /^(?:\d+GB?|GB|\dRX\d+|(?:PC|DDR)\d.*|CL\d+|\d+MHZ|\d+MT|REV.*|20\d\d|W\d\d?)$/

/** The serial number behind its mark, in one piece: labels print it in groups, `0365 H10A 9C1F`. */
export function serialIn(text: string): string | undefined {
  const groups = (SERIAL.exec(text)?.[1] ?? '').trim().split(' ')
  const [first = ''] = groups
  if (first === '') return undefined
  const isMore = (group: string) =>
    group.length === first.length && /\d/.test(group) && !OTHER.test(group)
  const end = groups.findIndex((group, at) => at > 0 && !isMore(group))
  const own = first.length >= WHOLE ? [first] : groups.slice(0, end < 0 ? undefined : end)
  const serial = own.join('').replace(/^0X/, '')
  return serial.length >= 4 ? serial : undefined
}

export const partNumberIn = (text: string): string | undefined => PART.exec(text)?.[1]

/** Whether a line is one word of letters, digits and dashes, as part numbers are. */
export function isPartAlone(text: string): boolean {
  const word = text.trim()
  return (
    /^[A-Z][A-Z0-9]*[-/.][A-Z0-9/.-]{2,28}$/.test(word) && /\d/.test(word) && !/^PC|DDR/.test(word)
  )
}
