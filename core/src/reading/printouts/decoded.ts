import { GENERATIONS, isModuleCapacity } from '../../things/model'
import {
  learn,
  meaningful,
  moduleAt,
  numbered,
  ratedReadings,
  type Subject,
  speedKind,
} from '../facts'
import { bufferingInWords } from './device'
import { isBlank, isPrompt, type PrintForm } from './form'

/** A name, and a value for each module, parted by two blanks or more. */
const ROW = /^\s*(\S(?:.*?\S)?)(?:\s{2,}|\t+)(\S.*)$/
const FIRST = /^\s*Fundamental Memory type\s{2,}/i
/** Most lines of one print, unknown rows and headings included. */
const LONGEST = 400

type Put = (module: Subject, value: string, line: number) => void

const FIELDS: Readonly<Record<string, Put>> = {
  'fundamental memory type': (module, value, line) => {
    const name = /\bLP?DDR\d\w?|\bDDR\d?/i.exec(value)?.[0].toUpperCase()
    learn(
      module,
      'generation',
      GENERATIONS.find((one) => one === name),
      { line },
    )
  },
  'module type': (module, value, line) => {
    const form = /SO-?(?:U|R)?DIMM/i.test(value)
      ? 'SODIMM'
      : /DIMM/i.test(value)
        ? 'DIMM'
        : undefined
    learn(module, 'formFactor', form, { line })
    const letter = /\bR-?DIMM|\bSO-?RDIMM/i.test(value) ? 'registered' : null
    const plain = /\bU-?DIMM|SO-?DIMM/i.test(value) ? 'unbuffered' : null
    learn(module, 'buffering', bufferingInWords(value) ?? letter ?? plain, { line })
  },
  size: (module, value, line) => {
    const match = /^(\d{2,7}) ?(MB|GB)/i.exec(value)
    const gib = Number(match?.[1]) / (match?.[2]?.toUpperCase() === 'MB' ? 1024 : 1)
    if (isModuleCapacity(gib)) learn(module, 'capacityGiB', gib, { line })
  },
  ranks: (module, value, line) => {
    const ranks = Number(/^[1248]$/.exec(value)?.[0])
    if (ranks > 0) learn(module, 'ranks', ranks, { line })
  },
  'sdram device width': (module, value, line) => {
    const width = Number(/^(4|8|16|32) ?bits?$/i.exec(value)?.[1])
    if (width > 0) learn(module, 'deviceWidth', width, { line })
  },
  'maximum module speed': (module, value, line) => {
    const [, figure, unit] = /^(\d{3,5}) ?(MT\/s|MHz)/i.exec(value) ?? []
    const { generation } = module.said
    if (!figure || !generation) return
    const printed = {
      figure: Number(figure),
      unit: /mt/i.test(unit ?? '') ? 'MT/s' : 'MHz',
    } as const
    const [dataRate, other] = ratedReadings(printed, generation)
    if (dataRate === undefined || other !== undefined) return
    learn(module, 'speeds', [{ kind: speedKind(generation, dataRate), dataRate }], { line })
  },
  'part number': (module, value, line) => learn(module, 'partNumber', meaningful(value), { line }),
  'assembly serial number': (module, value, line) =>
    learn(module, 'serial', meaningful(value)?.replace(/^0x/i, '').toUpperCase(), { line }),
}

/** Decoded contents of modules: a row for each figure, a column for each module. */
export const decodedContents: PrintForm = {
  name: 'decodedContents',
  begins: FIRST,
  read(lines, at) {
    if (!FIRST.test(lines[at] as string)) return null
    const count = valuesIn(lines[at] as string).length
    const modules = Array.from({ length: count }, () =>
      moduleAt('unverified-contents', { line: at + 1 }),
    )
    let end = at
    for (let n = at; n < Math.min(lines.length, at + LONGEST); n += 1) {
      const line = lines[n] as string
      if (isPrompt(line) || (n > at && FIRST.test(line) && count === 1)) break
      if (isBlank(line)) continue
      const put = FIELDS[(ROW.exec(line)?.[1] ?? '').toLowerCase()]
      if (!put) continue
      valuesIn(line).forEach((value, column) => {
        const module = modules[column]
        if (module) put(module, value, n + 1)
      })
      end = n + 1
    }
    const told = modules.filter(({ said }) => said.generation !== undefined)
    if (told.length === 0) return null
    return { format: 'decoded', observations: numbered(told), problems: [], end }
  },
}

const valuesIn = (line: string): string[] =>
  (ROW.exec(line)?.[2] ?? '').split(/\s{2,}|\t+/).filter((value) => value !== '')
