import type { SystemReading } from '../facts'
import { isBlank, type PrintForm } from './form'
import { inGiB } from './units'

const MEMINFO = /^\s*(MemTotal|MemAvailable|MemFree|SwapTotal|SwapFree):\s+(\d+) kB\s*$/i
const FREE_HEAD = /^\s+total\s+used\s+free\b.*$/
const FREE_ROW = /^(Mem|Swap):\s+(.*)$/

/** Memory in use as a running system lists it: `MemTotal: … kB` lines, or a `total used free` table. */
export const memoryInUse: PrintForm = (lines, at) => {
  const system = meminfo(lines, at) ?? freeTable(lines, at)
  return (
    system && {
      part: { format: 'system', modules: [], machine: null, system: system.said, problems: [] },
      end: system.end,
    }
  )
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
  const said: SystemReading = {}
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
  const said: SystemReading = {}
  let end = at + 1
  for (let n = at + 1; n < Math.min(lines.length, at + 5); n += 1) {
    const match = FREE_ROW.exec(lines[n] as string)
    if (!match) break
    const cells = (match[2] as string).trim().split(/\s+/).map(sizeIn)
    const cell = (name: string) => cells[names.indexOf(name)] ?? null
    end = n + 1
    const [total, used, available] = [cell('total'), cell('used'), cell('available')]
    if (match[1] === 'Mem') {
      if (total !== null) said.totalGiB = total
      if (available !== null) said.availableGiB = available
    } else {
      if (total !== null) said.pageFileGiB = total
      if (used !== null) said.pageFileUsedGiB = used
    }
  }
  return Object.keys(said).length > 0 ? { said, end } : null
}

/** GiB of a figure with its unit, as `-h` prints it; a figure alone is KB, or bytes where it is too large for that. */
function sizeIn(text: string): number | null {
  const match = /^(\d+(?:[.,]\d+)?)([KMGT]?)i?B?$/.exec(text)
  if (!match) return null
  const figure = Number((match[1] as string).replace(',', '.'))
  const unit = match[2] as string
  if (unit === '') return inGiB(figure, figure > 2 ** 33 ? '' : 'K')
  return inGiB(figure, unit)
}
