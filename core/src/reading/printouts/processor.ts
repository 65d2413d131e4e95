import { isBlank, type PrintForm, systemRead } from './form'

const TITLE = /^\s*Processor Information\s*$/i
const HANDLE = /\bDMI type 4\b/i
const VERSION = /^\s*Version\s*:\s*(\S.*?)\s*$/i
const MODEL_NAME = /^\s*Model name\s*:\s*(\S.*?)\s*$/i
/** Placeholders that firmware leaves where nobody filled in a name. */
const NO_NAME = /^(?:not specified|unknown|none|n\/a|to be filled.*|default string|-)$/i

/** The processor's name: the block of it in a listing of an SMBIOS table, or a line `Model name: …`. */
export const processorName: PrintForm = {
  name: 'processorName',
  begins: /processor information|DMI type 4\b|model name/i,
  read(lines, at) {
    const line = lines[at] as string
    const named = MODEL_NAME.exec(line)?.[1]
    if (named) return processorRead(named, at, at + 1)
    if (!TITLE.test(line) && !HANDLE.test(line)) return null
    let end = at + 1
    let name: string | undefined
    while (end < lines.length && !isBlank(lines[end])) {
      name ??= VERSION.exec(lines[end] as string)?.[1]
      end += 1
    }
    return name ? processorRead(name, at, end) : null
  },
}

function processorRead(processor: string, at: number, end: number) {
  if (NO_NAME.test(processor) || processor.length > 120) return null
  return systemRead('system', { processor: processor.replace(/\s+/g, ' ') }, at, end)
}
