import { plainLetters, type SystemFigures } from '../facts'
import { isBlank, type PrintForm, systemRead } from './form'
import { inGiB } from './units'

const MEMINFO = /^\s*(MemTotal|MemAvailable|MemFree|SwapTotal|SwapFree):\s+(\d+) kB\s*$/i
const FREE_HEAD = /^\s+total\s+used\s+free\b.*$/
const FREE_ROW = /^(Mem|Swap):\s+(.*)$/

/** Memory in use as a running system lists it: `MemTotal: … kB` lines, a `total used free` table, or a summary in words. */
export const memoryInUse: PrintForm = {
  name: 'memoryInUse',
  begins:
    /^\s*(?:mem|swap)\w+:|^\s+total\s+used\s+free|^[^\d:]*(?:physi|fizycz|fysiek|fisica|física)|^\s*(?:installe|installi|m[eé]moire ram|ram instal|zainstalowana|ge[iï]nstalleerd)/i,
  read(lines, at) {
    const system =
      meminfo(lines, at) ?? freeTable(lines, at) ?? summary(lines, at) ?? installed(lines, at)
    return system && systemRead('system', system.said, at, system.end)
  },
}

function meminfo(lines: readonly string[], at: number) {
  if (!MEMINFO.test(lines[at] as string)) return null
  const kilobytes: Record<string, number> = {}
  let end = at
  for (let n = at; n < lines.length && !isBlank(lines[n]); n += 1) {
    const line = lines[n] as string
    const match = MEMINFO.exec(line)
    if (match) kilobytes[(match[1] as string).toLowerCase()] = Number(match[2])
    else if (!/^\s*[\w()]+:\s+\d+(?: kB)?\s*$/.test(line)) break
    end = n + 1
  }
  const { memtotal, memavailable, swaptotal, swapfree } = kilobytes
  const said: Partial<SystemFigures> = {}
  if (memtotal !== undefined) said.totalGiB = memtotal / 1024 ** 2
  if (memavailable !== undefined) said.availableGiB = memavailable / 1024 ** 2
  if (swaptotal !== undefined) {
    said.pageFileGiB = swaptotal / 1024 ** 2
    if (swapfree !== undefined) said.pageFileUsedGiB = (swaptotal - swapfree) / 1024 ** 2
  }
  return Object.keys(said).length > 0 ? { said, end } : null
}

function freeTable(lines: readonly string[], at: number) {
  const heading = lines[at] as string
  if (!FREE_HEAD.test(heading)) return null
  const names = heading.trim().split(/\s+/)
  const said: Partial<SystemFigures> = {}
  let end = at + 1
  let unit: Unit | null = null
  for (let n = at + 1; n < Math.min(lines.length, at + 5); n += 1) {
    const match = FREE_ROW.exec(lines[n] as string)
    if (!match) break
    const cells = (match[2] as string).trim().split(/\s+/)
    const isMemory = match[1] === 'Mem'
    if (isMemory) unit = unitOf(cells[names.indexOf('total')] ?? '')
    const cell = (name: string) => sizeIn(cells[names.indexOf(name)] ?? '', unit)
    end = n + 1
    const [total, used, available] = [cell('total'), cell('used'), cell('available')]
    if (isMemory) {
      if (total !== null) said.totalGiB = total
      if (available !== null) said.availableGiB = available
    } else {
      if (total !== null) said.pageFileGiB = total
      if (used !== null) said.pageFileUsedGiB = used
    }
  }
  return Object.keys(said).length > 0 ? { said, end } : null
}

type Unit = '' | 'K' | 'M'

/** Least and most memory that a machine on the bench has, GiB. */
const LIKELY = { least: 0.25, most: 512 }

/**
 * The unit of a table that does not print it, by what a machine can have in all: bytes, KB or MB; null where a figure
 * could be in two of them. Whole GB are too coarse to go by.
 */
function unitOf(total: string): Unit | null {
  if (!/^\d+$/.test(total)) return null
  const possible = (['', 'K', 'M'] as const).filter((unit) => {
    const gib = inGiB(Number(total), unit)
    return gib >= LIKELY.least && gib <= LIKELY.most
  })
  return possible.length === 1 ? (possible[0] as Unit) : null
}

/** GiB of a figure with its unit, as `-h` prints it, or in the unit of its table; null where nobody can tell. */
function sizeIn(text: string, unit: Unit | null): number | null {
  const match = /^(\d+(?:[.,]\d+)?)([KMGT]?)i?B?$/.exec(text)
  if (!match) return null
  const figure = Number((match[1] as string).replace(',', '.'))
  const own = match[2] as string
  if (own !== '') return inGiB(figure, own)
  if (figure === 0) return 0
  return unit === null ? null : inGiB(figure, unit)
}

/** `Total Physical Memory: 15,876 MB` and beneath it what is available, in the system's language. */
const TOTAL =
  /^(?:total physical memory|gesamter physischer speicher|memoire physique totale|cantidad total de memoria fisica|memoria fisica totale|calkowita pamiec fizyczna|totaal fysiek geheugen)$/
/** `Installed RAM 16.0 GB (15.8 GB usable)`: the second figure is what the system can use. */
const INSTALLED =
  /^(?:INSTALLED (?:PHYSICAL MEMORY \(RAM\)|RAM|MEMORY)|INSTALLIERTER (?:PHYSISCHER SPEICHER \(RAM\)|RAM)|(?:MEMOIRE )?RAM INSTALLEE|RAM INSTALADA|RAM INSTALLATA|ZAINSTALOWANA PAMIEC(?: FIZYCZNA)? \(?RAM\)?|GEINSTALLEERD RAM(?:-GEHEUGEN)?)\s*:?\s*(\d{1,4})(?:[.,]\d{1,2})? ?(?:GB|GO)\b(?! DDR)(?: \((\d{1,4}(?:[.,]\d{1,2})?) ?(?:GB|GO)\b)?/
const AVAILABLE =
  /^(?:available physical memory|verfugbarer physischer speicher|memoire physique disponible|memoria fisica disponible|memoria fisica disponibile|dostepna pamiec fizyczna|beschikbaar fysiek geheugen)$/
const NAMED = /^\s*([\p{L} ]{8,60}?)\s*:\s*(\d[\d.,'\s\u00a0\u202f]*)\s*(MB|Mo|MiB)\s*$/u

function installed(lines: readonly string[], at: number) {
  const plain = plainLetters((lines[at] as string).slice(0, 200)).trim()
  const [, gib, usable] = INSTALLED.exec(plain) ?? []
  if (!gib) return null
  const said: Partial<SystemFigures> = { totalGiB: Number(gib) }
  if (usable) said.usableGiB = Number(usable.replace(',', '.'))
  return { said, end: at + 1 }
}

function summary(lines: readonly string[], at: number) {
  if (!/physi|fizycz|fysiek|fisica|física/i.test(lines[at] as string)) return null
  const said: Partial<SystemFigures> = {}
  let end = at
  for (let n = at; n < Math.min(lines.length, at + 3); n += 1) {
    const [, name = '', figure = ''] = NAMED.exec((lines[n] as string).slice(0, 200)) ?? []
    const plain = plainLetters(name).toLowerCase()
    const gib = Number(figure.replace(/\D/g, '')) / 1024
    if (TOTAL.test(plain)) said.totalGiB = gib
    else if (AVAILABLE.test(plain)) said.availableGiB = gib
    else break
    end = n + 1
  }
  return said.totalGiB === undefined ? null : { said, end }
}
