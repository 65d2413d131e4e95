import { writeFileSync } from 'node:fs'
import { read } from '../src/reading/inputs'
import { PRINTERS, RIGS } from '../test/consoles'
import { table } from '../test/tables'

const LABELS = [
  '8GB 1Rx8 PC4-2666V-SA1-11',
  '16GB 1Rx8 PC5-5600B-SA0-1010-XT',
  '4GB 2Rx8 PC3L-12800S-11-13-B4',
  '8 gb, 1rx8 pc4 3200aa sa1',
  '1GB 2Rx8 PC2-6400S-666-12-A3',
]

const labelList = (lines: number, ofItsOwn: (at: number) => string = () => '') =>
  Array.from({ length: lines }, (_, at) => LABELS[at % LABELS.length] + ofItsOwn(at)).join('\n')

const withSerials = (lines: number) =>
  labelList(lines, (at) => ` S/N ${(at + 0x10_0000).toString(16)}`)

/** A table of this many structures: an array, its devices and the end. */
const structures = (count: number) =>
  table(
    { devices: count - 2, maximumKB: 1 << 28 },
    Array.from({ length: count - 2 }, (_, at) => ({
      size: at % 4 === 3 ? 0 : 8192,
      locator: `P0_Channel${at % 8}_Dimm${at % 2}`,
      bank: `BANK ${at}`,
      speed: 3200,
      configured: 1600,
      maker: '0198',
      serial: `AB${at}`,
      part: 'M4-8-3200   ',
    })),
  )

function median(run: () => void, count: number): number {
  const times = Array.from({ length: count }, () => {
    const start = performance.now()
    run()
    return performance.now() - start
  })
  return times.sort((a, b) => a - b)[count >> 1] as number
}

const rows: { what: string; measured: string; aim: string }[] = []
for (const [what, make] of [
  ['an SMBIOS table of 200 structures', (times: number) => structures(200 * times)],
  ['a label list of 5,000 lines, five kinds', (times: number) => labelList(5000 * times)],
  ['the same, no two lines alike', (times: number) => withSerials(5000 * times)],
] as const) {
  const measured = [1, 10, 100].map((times) => {
    const input = make(times)
    const runs = times === 1 ? 40 : times === 10 ? 8 : 3
    return median(() => read(input), runs)
  })
  const [one, ten, hundred] = measured as [number, number, number]
  const ratio = (time: number) => `${(time / one).toFixed(1)}×`
  rows.push({
    what: `${what}, read; then 10× and 100× as much`,
    measured: `${one.toFixed(1)} ms; ${ratio(ten)}, ${ratio(hundred)}`,
    aim: 'growing no faster than the input',
  })
}
/** A console session of this many bytes: ordinary output, with a report of every kind in between. */
function session(bytes: number): string {
  const rig = RIGS.four ?? []
  const reports = Object.values(PRINTERS).map((print) => print(rig))
  const noise = Array.from(
    { length: 60 },
    (_, at) =>
      `[ ${at}.48${at}] usb 1-${at}: new device found, idVendor=0000, idProduct=00${at}: ok`,
  ).join('\n')
  const parts: string[] = []
  for (let length = 0, at = 0; length < bytes; at += 1) {
    const part = at % 3 === 0 ? (reports[(at / 3) % reports.length] as string) : noise
    parts.push(part)
    length += part.length
  }
  return parts.join('\n')
}

const SMBIOS_64K = structures(820)
for (const [what, input] of [
  ['a terminal session of 1 MB', session(1_000_000)],
  ['500 labels', labelList(500)],
  [`an SMBIOS table of ${Math.round(SMBIOS_64K.length / 1024)} kB`, SMBIOS_64K],
] as const) {
  const time = median(() => read(input), 15)
  const lines = typeof input === 'string' ? input : labelList(SMBIOS_64K.length / 27)
  const split = median(() => lines.split('\n').map((line) => line.trim()), 15)
  rows.push({
    what: `${what}, read; against splitting as much text into lines`,
    measured: `${time.toFixed(1)} ms; ${(time / split).toFixed(0)}×`,
    aim: 'under 50 ms',
  })
}
writeFileSync(process.argv[2] as string, JSON.stringify(rows))
