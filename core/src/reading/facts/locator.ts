import type { SlotName } from './observation'

const LETTERS = 'ABCDEFGHIJKLMNOP'

/** What in a slot's name tells its channel, the surest first. Controllers number channels, not halves of one. */
const CHANNEL = [
  /CONTROLLER[-_ ]?(\d)/,
  /CHAN(?:NEL)?[-_ ]?([A-P])(?![A-Z])/,
  /CHAN(?:NEL)?[-_ ]?(\d)/,
  /\bCH[-_ ]?([A-P])(?![A-Z])/,
  /DIMM[-_ ]?([A-P])(?![A-Z])/,
  /\b([A-P])\d?$/,
]

const NUMBER = [
  /DIMM[-_ ]?[A-P]?[-_ ]?(\d{1,2})(?!\d)/,
  /SLOT[-_ ]?(\d{1,2})(?!\d)/,
  /[A-P](\d{1,2})$/,
]

/** A slot's name as a readout gives it, with channel and number told from it where they can be. */
export function slotName(locator: string, bank: string | null = null): SlotName {
  const names = [locator, bank ?? ''].map((name) => name.slice(0, 120).toUpperCase())
  return { locator, bank, channel: channelIn(names), number: numberIn(names[0] as string) }
}

function channelIn(names: string[]): string | null {
  for (const pattern of CHANNEL) {
    for (const name of names) {
      const found = pattern.exec(name)?.[1]
      if (found !== undefined) return /\d/.test(found) ? (LETTERS[Number(found)] ?? null) : found
    }
  }
  return null
}

function numberIn(name: string): number | null {
  for (const pattern of NUMBER) {
    const found = pattern.exec(name)?.[1]
    if (found !== undefined) return Number(found)
  }
  return null
}
