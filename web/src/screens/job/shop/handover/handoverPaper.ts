import type { Handover, HandoverDocument, WarrantyTerm } from '@tembrix/core/things/records'
import { day, dayAndTime, list, moneyIn, plural } from '../../../../base/format'
import {
  type Block,
  code,
  type Line,
  type Paper,
  type PaperColumn,
  type PaperRow,
  strong,
} from '../../../../parts/papers'
import { SECTION_NAMES, WENT } from './words'

/** The customer's report: what was asked, found and done, what it runs at now, parts, warranty and what was paid. */
export function handoverPaper(
  document: HandoverDocument,
  { signed, collected }: Pick<Handover, 'signed' | 'collected'>,
  number: number,
): Paper {
  const { shopName, address, customerName, machineName, serialNumber, on } = document
  return {
    title: 'Report on your computer',
    file: `Job ${number} report`,
    from: { shopName, address },
    about: [
      ['for ', strong(customerName)],
      [machineName, serialNumber && ` · serial ${serialNumber}`],
    ],
    beside: [['Job ', code(String(number))], day(on), ...(signed ? [] : ['Draft, not signed'])],
    blocks: [
      ...sections(document, ['asked', 'found', 'done', 'gained']),
      runs(document),
      ...measured(document),
      ...parts(document),
      ...setup(document),
      ...sections(document, ['watch', 'next']),
      ...money(document),
      ...open(document),
      ...agreed(signed, collected),
    ],
  }
}

function sections(
  { sections }: HandoverDocument,
  wanted: readonly HandoverDocument['sections'][number]['section'][],
): Block[] {
  return sections
    .filter(({ section }) => wanted.includes(section))
    .map(({ section, paragraphs }) => ({
      is: 'part',
      label: SECTION_NAMES[section],
      blocks: [
        { is: 'heading', text: SECTION_NAMES[section] },
        ...paragraphs.map((text): Block => ({ is: 'text', text })),
      ],
    }))
}

/** A table in a part of its own. */
const sheet = (
  caption: string,
  columns: readonly PaperColumn[],
  rows: readonly PaperRow[],
): Block => ({
  is: 'part',
  blocks: [{ is: 'table', look: 'grid', caption, columns, rows }],
})

const column = (name: string, share: number): PaperColumn => ({ name, share })

function runs({ runs, board, tests }: HandoverDocument): Block {
  const rows = runs.map(({ what, before, now, seen }) => ({
    cells: [
      what,
      before,
      [strong(now)],
      seen ? 'read off the running computer' : 'calculated from its parts',
    ],
  }))
  const columns = [
    column('', 2),
    column('before (calculated)', 2),
    column('now', 2),
    column('how we know it now', 3),
  ]
  return {
    is: 'part',
    blocks: [
      { is: 'table', look: 'grid', caption: 'What it runs at', columns, rows },
      { is: 'board', slots: board },
      ...tests.map((text): Block => ({ is: 'text', text: [strong('Memory test: '), text] })),
    ],
  }
}

function measured({ measured }: HandoverDocument): Block[] {
  if (measured.length === 0) return []
  const columns = [
    column('Test', 3),
    column('before', 2),
    column('now', 2),
    column('change, with its range', 4),
    column('expected', 3),
  ]
  const rows = measured.map(({ test, before, now, change, forecast }) => ({
    cells: [test, before, now, [strong(change)], forecast],
  }))
  return [sheet('What was measured', columns, rows)]
}

const STATES = { new: 'new', used: 'used', own: 'your own', stayed: 'stayed' } as const

const serialCell = (serial: string): Line => (serial ? [code(serial)] : 'not noted')

function parts({ fitted, removed, work }: HandoverDocument): Block[] {
  const put = fitted
    .filter(({ state }) => state !== 'stayed')
    .map(({ slot, text, serial, state, shop, makerUntil }) => ({
      cells: [
        [code(slot)],
        state ? `${text} (${STATES[state]})` : text,
        serialCell(serial),
        warranty(shop, makerUntil),
      ],
    }))
  const out = removed.map(({ text, serial, to }) => ({
    cells: [text, serialCell(serial), to ? WENT[to] : 'not decided'],
  }))
  const module = column('Module', 4)
  const serial = column('Serial number', 2.5)
  return [
    ...(put.length > 0
      ? [
          sheet(
            'Fitted, and who stands by it',
            [column('Slot', 1), module, serial, column('Warranty', 4)],
            put,
          ),
        ]
      : []),
    ...(out.length > 0
      ? [sheet('Taken out', [module, serial, column('Where it went', 3)], out)]
      : []),
    ...(work ? [{ is: 'text' as const, text: [strong('Our work: '), term(work)] }] : []),
  ]
}

function term({ months, from, until }: WarrantyTerm): string {
  if (months === 0) return 'without our warranty'
  return `${plural(months, 'month')}, from ${day(from)} to ${day(until)}`
}

function warranty(shop: WarrantyTerm | null, makerUntil: string | null): string {
  const said = [
    shop ? `ours: ${term(shop)}` : '',
    makerUntil ? `its maker’s or supplier’s: until ${day(makerUntil)}` : '',
  ].filter(Boolean)
  return said.length === 0 ? 'none noted; what the law gives you stays' : said.join('; ')
}

function setup({ setup }: HandoverDocument): Block[] {
  if (setup.length === 0) return []
  const columns = [column('', 2), column('as found', 2), column('as we left it', 2)]
  const rows = setup.map(({ what, found, left }) => ({ cells: [what, found, [strong(left)]] }))
  return [sheet('In the BIOS/UEFI setup', columns, rows)]
}

function money({ toPay, paid, currency, accessories }: HandoverDocument): Block[] {
  const amount = moneyIn(currency)
  const lines: Line[] = [
    ...(toPay === null
      ? []
      : [[strong('To pay: '), `${amount(toPay)}, of which ${amount(paid)} is paid.`]]),
    ...(accessories.length > 0 ? [[strong('Given back with it: '), `${list(accessories)}.`]] : []),
  ]
  if (lines.length === 0) return []
  return [{ is: 'part', blocks: lines.map((text): Block => ({ is: 'text', text })) }]
}

function open({ open }: HandoverDocument): Block[] {
  if (open.length === 0) return []
  return [
    {
      is: 'part',
      look: 'framed',
      label: 'Still open',
      blocks: [
        { is: 'heading', text: 'Still open' },
        {
          is: 'list',
          items: open.map(({ text, reason }) => [strong(`${text} `), reason]),
        },
      ],
    },
  ]
}

function agreed(signed: Handover['signed'], collected: Handover['collected']): Block[] {
  if (!signed) {
    return [{ is: 'signatures', names: ['Received in order', 'Name and signature', 'Date'] }]
  }
  const by = signed.by ? `, handed over by ${signed.by}` : ''
  return [
    {
      is: 'part',
      look: 'framed',
      label: 'Signed',
      blocks: [
        {
          is: 'text',
          text: [strong(signed.name), ` received this report on ${dayAndTime(signed.at)}${by}.`],
        },
        ...(signed.drawn
          ? [
              {
                is: 'picture' as const,
                address: signed.drawn,
                shows: `Signature of ${signed.name}`,
              },
            ]
          : []),
        ...(collected
          ? [
              {
                is: 'text' as const,
                text: `Collected by ${collected.name} on ${dayAndTime(collected.at)}.`,
              },
            ]
          : []),
      ],
    },
  ]
}
