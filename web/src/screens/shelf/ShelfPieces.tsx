import type { ShopModule } from '@tembrix/core/things/records'
import { Pencil, Plus, Split } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Link } from 'react-router'
import { day, money, plural } from '../../base/format'
import { type Column, DataTable } from '../../base/table'
import { Button, IconButton, Nothing } from '../../base/ui'
import { describeModule, organisation } from '../../parts/board'
import { PieceDialog } from './PieceDialog'
import { SearchBox } from './SearchBox'
import { TakeApart } from './TakeApart'
import { inKits, type KitOnShelf, piecesMatching } from './words'

type Open =
  | { kind: 'add' }
  | { kind: 'edit'; piece: ShopModule; kit: KitOnShelf }
  | { kind: 'apart'; kit: KitOnShelf }

/** A piece, with the kit it lies with. */
interface Lying {
  piece: ShopModule
  kit: KitOnShelf
  /** The first of its kit speaks for it; a kit is sorted by it, so that it stays together. */
  first: ShopModule
}

const columnsWith = (open: (what: Open) => void): Column<Lying>[] => [
  {
    id: 'piece',
    name: 'Piece',
    fixed: true,
    narrow: 'head',
    sortBy: ({ first }) => describeModule(first.module),
    cell: ({ piece: { module }, kit, piece, first }) => (
      <>
        <b className="font-semibold">{describeModule(module)}</b>
        <span className="block text-sm font-normal text-ink-2">
          {organisation(module)}
          {kit.whole && piece === first && ` · kit of ${kit.pieces.length}, kept together`}
          {module.kit && !kit.whole && ` · one of a kit of ${module.kit.size}`}
        </span>
      </>
    ),
  },
  {
    id: 'part',
    name: 'Part number',
    sortBy: ({ first }) => first.module.article,
    cell: ({ piece: { module, note } }) => (
      <>
        {module.article}
        {note && <span className="block text-sm text-ink-2">{note}</span>}
      </>
    ),
  },
  {
    id: 'serial',
    name: 'Serial',
    look: 'font-mono text-sm',
    sortBy: ({ first }) => first.serialNumber || null,
    cell: ({ piece }) => piece.serialNumber || '–',
  },
  {
    id: 'state',
    name: 'State',
    look: 'whitespace-nowrap',
    sortBy: ({ first }) => first.testedOn,
    cell: ({ piece: { condition, testedOn, bad } }) =>
      bad ? (
        <span className="font-medium text-stop" title={bad.why}>
          bad: put aside {day(bad.at)}
        </span>
      ) : (
        <>
          {condition ?? 'state unknown'}
          <span className={`block text-sm ${testedOn ? 'text-ink-2' : 'font-medium text-risk'}`}>
            {testedOn ? `tested ${day(testedOn)}` : 'untested'}
          </span>
        </>
      ),
  },
  {
    id: 'from',
    name: 'From',
    look: 'whitespace-nowrap',
    sortBy: ({ first }) => first.fromJob,
    cell: ({ piece: { fromJobId, fromJob } }) =>
      fromJobId ? (
        <Link to={`/jobs/${fromJobId}`} className="inline-flex min-h-11 items-center underline">
          job {fromJob}
        </Link>
      ) : (
        '–'
      ),
  },
  {
    id: 'kept',
    name: 'Kept for',
    look: 'whitespace-nowrap',
    sortBy: ({ first }) => first.keptFor?.number ?? null,
    cell: ({ piece: { keptFor } }) =>
      keptFor ? (
        <Link
          to={`/jobs/${keptFor.jobId}/plan`}
          className="inline-flex min-h-11 min-w-11 items-center font-medium text-gold underline"
        >
          job {keptFor.number}
        </Link>
      ) : (
        '–'
      ),
  },
  {
    id: 'price',
    name: 'Price',
    figures: true,
    sortBy: ({ first }) => first.price,
    cell: ({ piece: { price } }) =>
      price === null ? <span className="text-risk">no price</span> : money(price),
  },
  {
    id: 'acts',
    name: '',
    cell: ({ piece, kit, first }) => (
      <span className="flex justify-end">
        {kit.whole && piece === first && (
          <IconButton
            onClick={() => open({ kind: 'apart', kit })}
            label={`Take the kit ${piece.module.article} apart`}
          >
            <Split size={17} aria-hidden />
          </IconButton>
        )}
        <IconButton
          onClick={() => open({ kind: 'edit', piece, kit })}
          label={`Change ${piece.module.article}${piece.serialNumber ? `, ${piece.serialNumber}` : ''}`}
        >
          <Pencil size={17} aria-hidden />
        </IconButton>
      </span>
    ),
  },
]

/** The pieces that lie in the shop, kits together. */
export function ShelfPieces({ pieces }: { pieces: readonly ShopModule[] }) {
  const [search, setSearch] = useState('')
  const [open, setOpen] = useState<Open | null>(null)
  const shown = inKits(pieces.filter(piecesMatching(search)))
  const lying = shown.flatMap((kit) => {
    const [first] = kit.pieces
    return first ? kit.pieces.map((piece) => ({ piece, kit, first })) : []
  })
  const columns = useMemo(() => columnsWith(setOpen), [])
  const close = () => setOpen(null)
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        <SearchBox
          label="Search the shelf"
          placeholder="Capacity, speed, part number, serial, job"
          value={search}
          onValue={setSearch}
        />
        <span className="text-sm text-ink-2">
          {plural(pieces.length, 'piece')},{' '}
          {money(pieces.reduce((sum, { price }) => sum + (price ?? 0), 0))}
        </span>
        <Button look="main" onClick={() => setOpen({ kind: 'add' })}>
          <Plus size={18} aria-hidden /> Put on the shelf
        </Button>
      </div>
      {shown.length === 0 ? (
        <Nothing>
          {pieces.length === 0
            ? 'Nothing lies here yet. Put on what came out of machines, or was bought ahead; every plan can draw on it.'
            : 'Nothing here matches. Try fewer words.'}
        </Nothing>
      ) : (
        <DataTable
          name="Shelf"
          rows={lying}
          columns={columns}
          keyOf={({ piece }) => piece.id}
          rowLook={({ kit }) => (kit.whole ? 'shadow-[inset_4px_0_var(--gold-line)]' : '')}
        />
      )}
      {open?.kind === 'add' && <PieceDialog onClose={close} />}
      {open?.kind === 'edit' && <PieceDialog piece={open.piece} kit={open.kit} onClose={close} />}
      {open?.kind === 'apart' && <TakeApart kit={open.kit} onClose={close} />}
    </>
  )
}
