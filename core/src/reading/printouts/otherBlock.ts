import { nothingRead } from '../facts'
import { isBlank, isPrompt, type PrintForm } from './form'

const TITLE =
  /^\s*(?:[A-Z][\w ]{1,30} Information|Chassis|On ?Board Devices?.*|Port Connector.*|System Slot.*|Memory (?:Array|Device) Mapped Address|OEM Strings)\s*$/i
const HANDLE = /^\s*Handle\b.*\bDMI type (?!1[67]\b)\d+\b/i
const KEY = /^\s+\S[^:]{0,60}:|^\s{2,}\S/

/** A block of a listing that is of something else: a board, firmware, a cache. Whatever it names is no module. */
export const otherBlock: PrintForm = {
  name: 'otherBlock',
  begins: new RegExp(`${TITLE.source}|${HANDLE.source}`, 'i'),
  read(lines, at) {
    let end = at + 1
    while (end < lines.length && isPart(lines[end] as string)) end += 1
    if (end === at + 1) return null
    return { ...nothingRead('unknown'), end }
  },
}

const isPart = (line: string): boolean =>
  !isBlank(line) && !isPrompt(line) && (KEY.test(line) || TITLE.test(line))
