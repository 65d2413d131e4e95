import type { Severity } from '@tembrix/core/things/model'
import type { LabelSize } from '@tembrix/core/things/records'

/** A stretch of a line: plain, strong, or set like a number that is typed off. */
export type TextRun = string | { strong: string } | { code: string }
export type Line = string | readonly TextRun[]

/** A table's column; `share` is its part of the width. */
export interface PaperColumn {
  name: string
  share: number
  /** Set at the right, like amounts. */
  figures?: true
}

/** A cell to be ticked by hand. */
export const TICK = { tick: true } as const
export type Cell = Line | typeof TICK

export interface PaperRow {
  cells: readonly Cell[]
  /** A sum: under a line, strong. */
  sum?: true
}

export interface PaperTable {
  is: 'table'
  caption?: string
  columns: readonly PaperColumn[]
  rows: readonly PaperRow[]
  /** Every cell with its border, or lines of text with amounts and no heads. */
  look: 'grid' | 'plain'
}

export interface Label {
  kind: string
  title: string
  lines: readonly Line[]
  /** What its code opens. */
  code: string
}

export interface FindingLine {
  code: string
  severity: Severity
  title: string
  text: Line
}

/** A slot as it is drawn: what was in it, and what is. */
export interface DrawnSlot {
  slot: string
  channel: string
  before: string | null
  now: string | null
  changed: boolean
}

export type Block =
  | { is: 'heading'; text: string; amount?: string }
  | { is: 'text'; text: Line }
  | { is: 'list'; items: readonly Line[] }
  | PaperTable
  | { is: 'findings'; items: readonly FindingLine[] }
  /** Kept on one sheet, and named where it is looked for; under a line, in a frame, or without room before it. */
  | { is: 'part'; label?: string; look?: 'ruled' | 'framed' | 'together'; blocks: readonly Block[] }
  | { is: 'labels'; labels: readonly Label[] }
  /** The slots of a board side by side. */
  | { is: 'board'; slots: readonly DrawnSlot[] }
  /** A picture by its address, with what it shows. */
  | { is: 'picture'; address: string; shows: string }
  /** Lines to write on, never alone on a sheet. */
  | { is: 'signatures'; names: readonly string[] }

/** What is printed, shown and saved as a file: the same content in each. */
export interface Paper {
  title: string
  /** The shop whose paper it is; null on what stays in the shop. */
  from: { shopName: string; address: string } | null
  about: readonly Line[]
  /** At the right of the head: job, day, validity. */
  beside: readonly Line[]
  blocks: readonly Block[]
  /** Each label by itself on a label of this size; without it, on sheets of paper. */
  label?: LabelSize | null
  /** The file's name, without its ending. */
  file: string
}

export const strong = (text: string): TextRun => ({ strong: text })
export const code = (text: string): TextRun => ({ code: text })

/** The runs of a line; empty ones left out. */
export const runsOf = (line: Line): readonly TextRun[] =>
  (typeof line === 'string' ? [line] : line).filter((run) => textOf(run) !== '')

/** A run as bare text. */
export function textOf(run: TextRun): string {
  if (typeof run === 'string') return run
  return 'strong' in run ? run.strong : run.code
}

/** A line as bare text. */
export const bare = (line: Line): string => runsOf(line).map(textOf).join('')

/** Everything a paper says, in the order it is read. */
export function textsOf({ title, from, about, beside, blocks }: Paper): string[] {
  const shop = from ? [from.shopName, ...from.address.split('\n')].filter(Boolean) : []
  return [...shop, title, ...[...about, ...beside].map(bare), ...textsIn(blocks)]
}

export const textsIn = (blocks: readonly Block[]): string[] => blocks.flatMap(blockTexts)

function blockTexts(block: Block): string[] {
  switch (block.is) {
    case 'heading':
      return [block.text, ...(block.amount ? [block.amount] : [])]
    case 'text':
      return [bare(block.text)]
    case 'list':
      return block.items.map(bare)
    case 'table':
      return [
        ...(block.caption ? [block.caption] : []),
        ...(block.look === 'grid' ? block.columns.map(({ name }) => name) : []),
        ...block.rows.flatMap(({ cells }) =>
          cells.flatMap((cell) => (isTick(cell) ? [] : bare(cell))),
        ),
      ].filter(Boolean)
    case 'findings':
      return block.items.flatMap(({ title, text }) => [title, bare(text)])
    case 'part':
      return textsIn(block.blocks)
    case 'labels':
      return block.labels.flatMap(({ kind, title, lines }) => [kind, title, ...lines.map(bare)])
    case 'board':
      return block.slots.flatMap(slotTexts)
    case 'picture':
      return []
    case 'signatures':
      return [...block.names]
  }
}

/** What stands in a drawn slot: its lettering and channel, what is in it, and what was where that is another thing. */
export const slotTexts = ({ slot, channel, before, now, changed }: DrawnSlot): string[] => [
  `${slot} · ${channel === '' ? '' : `channel ${channel}`}`.replace(/ · $/, ''),
  now ?? 'empty',
  ...(changed ? [`was ${before ?? 'empty'}`] : []),
]

export const isTick = (cell: Cell): cell is typeof TICK =>
  typeof cell === 'object' && 'tick' in cell
