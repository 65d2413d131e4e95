import { Document, Image, Page, Path, StyleSheet, Svg, Text, View } from '@react-pdf/renderer'
import type { LabelSize, PaperSize } from '@tembrix/core/things/records'
import { SEVERITY_NAMES } from '../findings'
import {
  type Block,
  type Cell,
  isTick,
  type Line,
  type Paper,
  type PaperTable,
  runsOf,
  slotTexts,
  textsIn,
} from './paper'
import { FAMILIES } from './pdfFonts'
import { qrOf } from './qr'

const MM = 72 / 25.4

const styles = StyleSheet.create({
  page: {
    paddingTop: 14 * MM,
    paddingHorizontal: 15 * MM,
    paddingBottom: 18 * MM,
    fontFamily: FAMILIES as unknown as string,
    fontSize: 10,
    color: '#000',
  },
  // Not on the page: what is worked out for each sheet is lost there when lines have a height.
  body: { fontSize: 10, lineHeight: 1.35 },
  foot: {
    position: 'absolute',
    bottom: 9 * MM,
    left: 15 * MM,
    right: 15 * MM,
    flexDirection: 'row',
    justifyContent: 'space-between',
    fontSize: 8,
  },
  head: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    gap: 20,
    borderBottom: '1.5 solid #000',
    paddingBottom: 8,
    marginBottom: 10,
  },
  left: { flex: 1 },
  right: { alignItems: 'flex-end', fontSize: 9 },
  small: { fontSize: 9 },
  strong: { fontWeight: 600 },
  title: { fontSize: 18, fontWeight: 600, lineHeight: 1.2, marginBottom: 2 },
  from: { marginBottom: 8 },
  heading: {
    flexDirection: 'row',
    justifyContent: 'space-between',
    gap: 12,
    fontSize: 13,
    fontWeight: 600,
    marginBottom: 3,
  },
  text: { marginBottom: 5 },
  item: { flexDirection: 'row', gap: 5, paddingLeft: 6 },
  bare: { marginTop: 12 },
  together: {},
  ruled: { borderTop: '0.75 solid #777', paddingTop: 7, marginBottom: 12 },
  framed: { border: '1.5 solid #000', padding: 8, marginTop: 12 },
  table: { marginBottom: 4 },
  row: { flexDirection: 'row' },
  heads: { backgroundColor: '#f2f2ee', fontSize: 9 },
  grid: { borderTop: '0.75 solid #777', borderLeft: '0.75 solid #777' },
  gridCell: {
    borderRight: '0.75 solid #777',
    borderBottom: '0.75 solid #777',
    paddingHorizontal: 5,
    paddingVertical: 3.5,
  },
  plainCell: { paddingVertical: 1.5, paddingRight: 10 },
  figures: { textAlign: 'right', paddingRight: 0 },
  sum: { borderTop: '0.75 solid #000', fontWeight: 600 },
  tick: { width: 10, height: 10, border: '0.75 solid #000' },
  finding: { borderLeft: '3 solid #777', backgroundColor: '#f2f2ee', padding: 6, marginBottom: 5 },
  signatures: { flexDirection: 'row', gap: 18, marginTop: 34 },
  signature: { flex: 1, borderTop: '0.75 solid #000', paddingTop: 3, fontSize: 9 },
  labels: { flexDirection: 'row', flexWrap: 'wrap', gap: 8 },
  label: { width: '48.5%', flexDirection: 'row', gap: 8, border: '1.5 solid #000', padding: 8 },
  kind: { fontSize: 8 },
  board: { flexDirection: 'row', flexWrap: 'wrap', gap: 6, marginTop: 8 },
  slot: { flexGrow: 1, flexBasis: 100, minWidth: 100, border: '0.75 solid #777', padding: 5 },
  slotChanged: { border: '1.5 solid #000' },
  picture: { height: 48, width: 144, objectFit: 'contain', objectPosition: 'left' },
  code: { width: 84, height: 84 },
  logo: {
    maxHeight: 56,
    maxWidth: 170,
    objectFit: 'contain',
    objectPosition: 'left',
    marginBottom: 6,
  },
  smallCode: { width: 20 * MM, height: 20 * MM },
  roll: { padding: 2 * MM, fontFamily: FAMILIES as unknown as string, fontSize: 8, color: '#000' },
  rolled: { flexDirection: 'row', gap: 2 * MM, fontSize: 8, lineHeight: 1.2, overflow: 'hidden' },
  rollKind: { fontSize: 6 },
  rollTitle: { fontSize: 10, fontWeight: 600, marginBottom: 1 },
})

interface Props {
  paper: Paper
  /** What every sheet says it is of. */
  of: string
  size: PaperSize
  /** The shop’s, in the text form of an address. */
  logo: string | null
}

/** A paper as a file: the blocks of the page, set by a typesetter. */
export function PaperPdf({ paper, of, size, logo }: Props) {
  const { title, from, about, beside, blocks, label } = paper
  if (label) return <LabelPdf title={title} blocks={blocks} size={label} />
  return (
    <Document title={title} subject={of} {...(from?.shopName ? { author: from.shopName } : {})}>
      <Page size={size === 'Letter' ? 'LETTER' : 'A4'} style={styles.page}>
        <View style={styles.body}>
          <View style={styles.head}>
            <View style={styles.left}>
              {from && logo && <Image src={logo} style={styles.logo} />}
              {from?.shopName && <Text style={styles.strong}>{from.shopName}</Text>}
              {from?.address && <Text style={[styles.small, styles.from]}>{from.address}</Text>}
              <Text style={styles.title}>{title}</Text>
              {about.map(toText)}
            </View>
            <View style={styles.right}>{beside.map(toText)}</View>
          </View>
          {withSignatures(blocks).map(toBlock)}
        </View>
        <View fixed style={styles.foot}>
          <Text>{of}</Text>
          <Text render={({ pageNumber, totalPages }) => `${pageNumber} / ${totalPages}`} />
        </View>
      </Page>
    </Document>
  )
}

/** Labels, each a page of the printer’s size. */
function LabelPdf({
  title,
  blocks,
  size: { width, height },
}: {
  title: string
  blocks: readonly Block[]
  size: LabelSize
}) {
  const labels = blocks.flatMap((block) => (block.is === 'labels' ? block.labels : []))
  return (
    <Document title={title}>
      {labels.map(({ kind, title, lines, code }, at) => (
        <Page
          // biome-ignore lint/suspicious/noArrayIndexKey: labels keep their places
          key={at}
          size={[width * MM, height * MM]}
          style={styles.roll}
        >
          <View style={[styles.rolled, { height: (height - 4) * MM }]}>
            <Code text={code} small />
            <View style={styles.left}>
              <Text style={styles.rollKind}>{kind}</Text>
              <Text style={styles.rollTitle}>{title}</Text>
              {lines.map(toText)}
            </View>
          </View>
        </Page>
      ))}
    </Document>
  )
}

/** What stands before lines to sign on goes with them: they are never alone on a sheet. */
function withSignatures(blocks: readonly Block[]): Block[] {
  return blocks.flatMap((block, at): Block[] => {
    const next = blocks[at + 1]
    if (block.is === 'signatures' && at > 0) return []
    if (next?.is !== 'signatures') return [block]
    return [{ is: 'part', look: 'together', blocks: [block, next] }]
  })
}

/** Letters on a line and lines on a sheet, with room to spare: what is longer than a sheet has to run on. */
const SHEET = { letters: 80, lines: 40 }

const fitsOnSheet = (blocks: readonly Block[]) =>
  textsIn(blocks).reduce(
    (lines, text) =>
      lines +
      text
        .split('\n')
        .reduce((sum, { length }) => sum + Math.ceil(length / SHEET.letters) + 0.3, 0),
    0,
  ) < SHEET.lines

const toBlock = (block: Block, at: number) => <BlockView key={at} block={block} />
const toText = (line: Line, at: number) => (
  <Text key={at}>
    <Runs line={line} />
  </Text>
)

function BlockView({ block }: { block: Block }) {
  switch (block.is) {
    case 'heading':
      return (
        <View style={styles.heading} minPresenceAhead={60}>
          <Text style={styles.left}>{block.text}</Text>
          {block.amount && <Text>{block.amount}</Text>}
        </View>
      )
    case 'text':
      return (
        <Text style={styles.text}>
          <Runs line={block.text} />
        </Text>
      )
    case 'list':
      return block.items.map((item, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: items of a paper keep their places
        <View key={at} style={styles.item}>
          <Text>•</Text>
          <Text style={styles.left}>
            <Runs line={item} />
          </Text>
        </View>
      ))
    case 'table':
      return <TableView table={block} />
    case 'findings':
      return block.items.map(({ severity, title, text }) => (
        <View key={title} style={styles.finding} wrap={false}>
          <View style={[styles.row, styles.strong]}>
            <Text style={styles.left}>{title}</Text>
            <Text>{SEVERITY_NAMES[severity]}</Text>
          </View>
          <Text>
            <Runs line={text} />
          </Text>
        </View>
      ))
    case 'part':
      return (
        <View style={styles[block.look ?? 'bare']} wrap={!fitsOnSheet(block.blocks)}>
          {block.blocks.map(toBlock)}
        </View>
      )
    case 'labels':
      return (
        <View style={styles.labels}>
          {block.labels.map(({ kind, title, lines, code }, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: labels keep their places
            <View key={at} style={styles.label} wrap={false}>
              <Code text={code} />
              <View style={styles.left}>
                <Text style={styles.kind}>{kind}</Text>
                <Text style={[styles.heading, { marginBottom: 0 }]}>{title}</Text>
                {lines.map(toText)}
              </View>
            </View>
          ))}
        </View>
      )
    case 'board':
      return (
        <View style={styles.board} wrap={false}>
          {block.slots.map((one) => {
            const [name, now, was] = slotTexts(one)
            return (
              <View
                key={one.slot}
                style={[styles.slot, ...(one.changed ? [styles.slotChanged] : [])]}
              >
                <Text style={styles.kind}>{name}</Text>
                <Text style={one.changed ? styles.strong : {}}>{now}</Text>
                {was && <Text style={styles.small}>{was}</Text>}
              </View>
            )
          })}
        </View>
      )
    case 'picture':
      return <Image src={block.address} style={styles.picture} />
    case 'signatures':
      return (
        <View style={styles.signatures} wrap={false}>
          {block.names.map((name) => (
            <Text key={name} style={styles.signature}>
              {name}
            </Text>
          ))}
        </View>
      )
  }
}

function Runs({ line }: { line: Line }) {
  return runsOf(line).map((run, at) =>
    typeof run === 'string' ? (
      run
    ) : (
      // biome-ignore lint/suspicious/noArrayIndexKey: stretches of a line keep their places
      <Text key={at} style={styles.strong}>
        {'strong' in run ? run.strong : run.code}
      </Text>
    ),
  )
}

function TableView({ table: { caption, columns, rows, look } }: { table: PaperTable }) {
  const grid = look === 'grid'
  const shapes = columns.map(({ share, figures }) => [
    grid ? styles.gridCell : styles.plainCell,
    { flex: share },
    ...(figures ? [styles.figures] : []),
  ])
  return (
    <View style={[styles.table, ...(caption ? [styles.bare] : [])]}>
      {caption && <Text style={styles.heading}>{caption}</Text>}
      {grid && (
        <View style={[styles.row, styles.grid, styles.heads]}>
          {columns.map(({ name }, at) => (
            <Text key={name} style={[...(shapes[at] ?? []), styles.strong]}>
              {name}
            </Text>
          ))}
        </View>
      )}
      {rows.map(({ cells, sum }, at) => (
        <View
          // biome-ignore lint/suspicious/noArrayIndexKey: rows of a paper keep their places
          key={at}
          wrap={false}
          style={[
            styles.row,
            ...(grid ? [styles.grid, { borderTop: 0 }] : []),
            ...(sum ? [styles.sum] : []),
          ]}
        >
          {cells.map((cell, column) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: columns keep their places
            <View key={column} style={shapes[column] ?? []}>
              <CellView cell={cell} />
            </View>
          ))}
        </View>
      ))}
    </View>
  )
}

function CellView({ cell }: { cell: Cell }) {
  if (isTick(cell)) return <View style={styles.tick} />
  return (
    <Text>
      <Runs line={cell} />
    </Text>
  )
}

function Code({ text, small = false }: { text: string; small?: boolean }) {
  const { path, box } = qrOf(text)
  return (
    <Svg viewBox={box} style={small ? styles.smallCode : styles.code}>
      <Path d={path} fill="#000" />
    </Svg>
  )
}
