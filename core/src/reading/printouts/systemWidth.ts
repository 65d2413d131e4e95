import type { SystemBits } from '../../things/model'
import { plainLetters } from '../facts'
import { type PrintForm, systemRead } from './form'

/** `System type: 64-bit operating system`, in the system's language, or `OSArchitecture : 64-bit`. */
const NAMED =
  /^\s*(?:OSArchitecture|System type|Systemtyp|Type du systeme|Tipo de sistema|Tipo sistema|Typ systemu|Systeemtype)\s*[:=]?\s*"?(32|64)[- ]?bits?\b/i
/** The architecture as the kernel names it: alone, in a line about the system, or after `Architecture:`. */
const KERNEL =
  /^\s*(?:Architecture:\s*|Linux \S.*\s)?(x86[_-]64|aarch64|arm64|i[3-6]86)(?: GNU\/Linux)?\s*$/i

/** The width of the running system, which its processor's does not tell. */
export const systemWidth: PrintForm = {
  name: 'systemWidth',
  begins: /OSArchitecture|syst|Architecture|^\s*(?:Linux|x86_64|aarch64|arm64|i[3-6]86)\b/i,
  read(lines, at) {
    const line = plainLetters((lines[at] as string).slice(0, 300))
    const bits = NAMED.exec(line)?.[1] ?? bitsOf(KERNEL.exec(line)?.[1])
    if (!bits) return null
    return systemRead('system', { systemBits: Number(bits) as SystemBits }, at, at + 1)
  },
}

function bitsOf(architecture: string | undefined): string | undefined {
  if (!architecture) return undefined
  return /64/.test(architecture) ? '64' : '32'
}
