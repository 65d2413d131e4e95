import type { LabelSize, PaperSize } from '@tembrix/core/things/records'
import { FileDown, Printer } from 'lucide-react'
import { useState } from 'react'
import { useShopQuery } from '../../base/data'
import { notify } from '../../base/toast'
import { Button, ErrorText, saveAs } from '../../base/ui'
import { FindingBox } from '../findings'
import {
  type Block,
  type Cell,
  isTick,
  type Label,
  type Line,
  type Paper,
  type PaperTable,
  runsOf,
  slotTexts,
} from './paper'
import { qrOf } from './qr'
import { usePaper } from './usePaper'

interface Props {
  paper: Paper
  /** What every sheet says it is of. */
  of: string
}

/** A paper on the screen, as it is printed, with the ways to have it: printed or as a file. */
export function PaperPage({ paper, of }: Props) {
  const { title, from, about, beside, blocks, label = null } = paper
  const size = usePaper(of, label)
  const { data: shop } = useShopQuery()
  return (
    <main
      id="work"
      tabIndex={-1}
      className="mx-auto my-4 max-w-[52rem] bg-sheet p-8 max-sm:p-4 print:m-0 print:max-w-none print:p-0"
    >
      <header
        data-labels={label !== null}
        className="data-[labels=true]:print:hidden mb-4 flex flex-wrap items-start justify-between gap-x-6 gap-y-3 border-b-2 border-ink pb-3"
      >
        <div>
          {from && shop?.logo && <img src={shop.logo} alt="" className="mb-2 max-h-20 max-w-60" />}
          {from?.shopName && <p className="font-semibold">{from.shopName}</p>}
          {from?.address && <p className="mb-3 text-sm whitespace-pre-line">{from.address}</p>}
          <h1 className="text-2xl font-bold">{title}</h1>
          {about.map((line, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: lines of a paper keep their places
            <p key={at}>
              <Runs line={line} />
            </p>
          ))}
        </div>
        <div className="text-right text-sm">
          {beside.map((line, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: lines of a paper keep their places
            <p key={at}>
              <Runs line={line} />
            </p>
          ))}
          <div className="screen-only mt-2 flex flex-wrap justify-end gap-2">
            <Save paper={paper} of={of} size={size} logo={(from && shop?.logo) ?? null} />
            <Button look="main" onClick={() => window.print()}>
              <Printer size={17} aria-hidden /> Print
            </Button>
          </div>
        </div>
      </header>
      {label ? <LabelRoll blocks={blocks} size={label} /> : <Blocks blocks={blocks} />}
    </main>
  )
}

function Save({ paper, of, size, logo }: Props & { size: PaperSize; logo: string | null }) {
  const [busy, setBusy] = useState(false)
  const [fault, setFault] = useState('')
  async function save() {
    setBusy(true)
    setFault('')
    try {
      const { pdfOf } = await import('./pdf')
      const made = await pdfOf(paper, of, size, logo)
      if ('missing' in made) {
        setFault(`A PDF cannot have these letters: ${made.missing}. Print the paper instead.`)
      } else {
        const address = URL.createObjectURL(made.file)
        saveAs(address, `${paper.file}.pdf`)
        notify(`Saved as “${paper.file}.pdf”.`)
        setTimeout(() => URL.revokeObjectURL(address), 60_000)
      }
    } catch {
      setFault('The PDF could not be made. Print the paper instead.')
    }
    setBusy(false)
  }
  return (
    <>
      <Button onClick={save} disabled={busy}>
        <FileDown size={17} aria-hidden /> {busy ? 'Making the PDF…' : 'Save as PDF'}
      </Button>
      <ErrorText className="w-full">{fault}</ErrorText>
    </>
  )
}

function Blocks({ blocks }: { blocks: readonly Block[] }) {
  return blocks.map((block, at) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: blocks of a paper keep their places
    <BlockView key={at} block={block} />
  ))
}

function BlockView({ block }: { block: Block }) {
  switch (block.is) {
    case 'heading':
      return (
        <h2 className="mb-1 flex justify-between gap-4 text-lg font-semibold">
          <span>{block.text}</span>
          {block.amount && <span className="whitespace-nowrap">{block.amount}</span>}
        </h2>
      )
    case 'text':
      return (
        <p className="mb-2 whitespace-pre-line last:mb-0">
          <Runs line={block.text} />
        </p>
      )
    case 'list':
      return (
        <ul className="list-disc pl-5">
          {block.items.map((item, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: items of a paper keep their places
            <li key={at}>
              <Runs line={item} />
            </li>
          ))}
        </ul>
      )
    case 'table':
      return block.look === 'grid' ? <Grid table={block} /> : <Plain table={block} />
    case 'findings':
      return (
        <ul aria-label="Findings" className="flex flex-col gap-1.5">
          {block.items.map(({ code, severity, title, text }) => (
            <FindingBox key={title} code={code} severity={severity} title={title}>
              <Runs line={text} />
            </FindingBox>
          ))}
        </ul>
      )
    case 'part':
      return (
        <section
          aria-label={block.label}
          className={`keep-together ${PARTS[block.look ?? 'bare']}`}
        >
          <Blocks blocks={block.blocks} />
        </section>
      )
    case 'labels':
      return (
        <div className="grid gap-3 sm:grid-cols-2 print:grid-cols-2">
          {block.labels.map((label, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: labels keep their places
            <OneLabel key={at} label={label} />
          ))}
        </div>
      )
    case 'board':
      return (
        <ul aria-label="Board" className="keep-together mt-3 flex flex-wrap gap-2">
          {block.slots.map((one) => {
            const [name, now, was] = slotTexts(one)
            return (
              <li
                key={one.slot}
                className={`min-w-36 flex-1 px-2 py-1 ${one.changed ? 'border-2 border-ink' : 'border border-rule-2'}`}
              >
                <p className="text-xs">{name}</p>
                <p className={one.changed ? 'font-semibold' : ''}>{now}</p>
                {was && <p className="text-sm text-ink-2">{was}</p>}
              </li>
            )
          })}
        </ul>
      )
    case 'picture':
      return <img src={block.address} alt={block.shows} className="mt-1 h-16" />
    case 'signatures':
      return (
        <footer className="keep-together mt-10 grid break-before-avoid grid-cols-3 gap-6 text-sm">
          {block.names.map((name) => (
            <p key={name} className="border-t border-ink pt-1">
              {name}
            </p>
          ))}
        </footer>
      )
  }
}

/** The labels of a paper, each as large as the printer’s. */
function LabelRoll({ blocks, size }: { blocks: readonly Block[]; size: LabelSize }) {
  const labels = blocks.flatMap((block) => (block.is === 'labels' ? block.labels : []))
  return (
    <div className="flex flex-col gap-4 print:block">
      {labels.map((label, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: labels keep their places
        <OneLabel key={at} label={label} size={size} />
      ))}
    </div>
  )
}

/** Without a `size` as large as its place; with one, cut at its edge as the printer cuts it. */
function OneLabel({
  label: { kind, title, lines, code },
  size,
}: {
  label: Label
  size?: LabelSize
}) {
  return (
    <section
      aria-label={kind}
      style={size && { width: `${size.width - 4}mm`, height: `${size.height - 4}mm` }}
      className={
        size
          ? 'flex gap-[2mm] overflow-hidden outline-1 outline-rule-2 text-[8pt] leading-tight break-after-page print:outline-none'
          : 'keep-together flex gap-3 border-2 border-ink p-3 text-[0.93rem] leading-snug'
      }
    >
      <Code text={code} small={size !== undefined} />
      <div className="min-w-0">
        <p className={size ? 'text-[6pt]' : 'text-xs'}>{kind}</p>
        <h2 className={size ? 'text-[10pt] font-bold' : 'text-lg font-bold'}>{title}</h2>
        {lines.map((line, row) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: lines of a label keep their places
          <p key={row}>
            <Runs line={line} />
          </p>
        ))}
      </div>
    </section>
  )
}

const PARTS = {
  bare: 'mt-5',
  together: '',
  ruled: 'mb-5 border-t border-rule-2 pt-3',
  framed: 'mt-5 border-2 border-ink p-3',
}

function Runs({ line }: { line: Line }) {
  return runsOf(line).map((run, at) => {
    if (typeof run === 'string') return run
    return 'strong' in run ? (
      // biome-ignore lint/suspicious/noArrayIndexKey: stretches of a line keep their places
      <b key={at} className="font-semibold">
        {run.strong}
      </b>
    ) : (
      // biome-ignore lint/suspicious/noArrayIndexKey: stretches of a line keep their places
      <span key={at} className="font-mono font-semibold">
        {run.code}
      </span>
    )
  })
}

const CELL = 'border border-rule-2 px-2 py-1.5 text-left align-top'

function Grid({ table: { caption, columns, rows } }: { table: PaperTable }) {
  return (
    <div className="mt-5 overflow-x-auto first:mt-0">
      <table className="w-full border-collapse">
        {caption && <caption className="pb-1 text-left text-lg font-semibold">{caption}</caption>}
        <thead className="bg-sheet-2 text-sm">
          <tr>
            {columns.map(({ name }) => (
              <th key={name} scope="col" className={CELL}>
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ cells }, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: rows of a paper keep their places
            <tr key={at} className="keep-together">
              {cells.map((cell, column) => (
                <CellView
                  // biome-ignore lint/suspicious/noArrayIndexKey: columns keep their places
                  key={column}
                  cell={cell}
                  head={column === 0 ? 'font-medium' : ''}
                  look={CELL}
                />
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

function Plain({ table: { columns, rows } }: { table: PaperTable }) {
  return (
    <table className="w-full text-[0.93rem]">
      <tbody>
        {rows.map(({ cells, sum }, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: rows of a paper keep their places
          <tr key={at} className={sum ? 'border-t border-ink font-semibold' : ''}>
            {cells.map((cell, column) => (
              <CellView
                // biome-ignore lint/suspicious/noArrayIndexKey: columns keep their places
                key={column}
                cell={cell}
                head={column === 0 ? (sum ? 'font-semibold' : 'font-normal') : ''}
                look={`py-0.5 ${columns[column]?.figures ? 'text-right whitespace-nowrap' : 'pr-4 text-left'}`}
              />
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  )
}

/** `head` is how the head of a row is set; empty for what is none. */
function CellView({ cell, head, look }: { cell: Cell; head: string; look: string }) {
  if (isTick(cell)) {
    return (
      <td className={`${look} w-14`}>
        <span className="inline-block size-4 border border-ink" />
      </td>
    )
  }
  return head ? (
    <th scope="row" className={`${look} ${head}`}>
      <Runs line={cell} />
    </th>
  ) : (
    <td className={look}>
      <Runs line={cell} />
    </td>
  )
}

function Code({ text, small = false }: { text: string; small?: boolean }) {
  const { path, box } = qrOf(text)
  return (
    <svg
      viewBox={box}
      className={`${small ? 'size-[20mm]' : 'size-28'} shrink-0 bg-white`}
      role="img"
      aria-label={`Code that opens ${text}`}
      data-text={text}
    >
      <path d={path} fill="#000" shapeRendering="crispEdges" />
    </svg>
  )
}
