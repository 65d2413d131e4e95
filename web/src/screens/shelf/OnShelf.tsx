import type { ShopModule } from '@tembrix/core/records'
import { Pencil, Plus, Split } from 'lucide-react'
import { useState } from 'react'
import { Link } from 'react-router'
import { Button, day, HeadRow, money, plural } from '../../base/ui'
import { describeModule, organisation } from '../../parts/board'
import { PieceDialog } from './PieceDialog'
import { SearchBox } from './SearchBox'
import { TakeApart } from './TakeApart'
import { inKits, type KitOnShelf, matching } from './words'

type Open =
  | { kind: 'add' }
  | { kind: 'edit'; piece: ShopModule; kit: KitOnShelf }
  | { kind: 'apart'; kit: KitOnShelf }

const HEADINGS = ['Piece', 'Article', 'Serial', 'State', 'From', 'Kept for', 'Price', '']

/** The pieces that lie in the shop, kits together. */
export function OnShelf({ pieces }: { pieces: readonly ShopModule[] }) {
  const [search, setSearch] = useState('')
  const [open, setOpen] = useState<Open | null>(null)
  const shown = inKits(pieces.filter(matching(search)))
  const close = () => setOpen(null)
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        <SearchBox
          label="Search the shelf"
          placeholder="Capacity, rate, article, serial, job"
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
        <p className="p-8 text-center text-ink-2">
          {pieces.length === 0
            ? 'Nothing lies here yet. Put on what came out of machines, or was bought ahead; every plan can draw on it.'
            : 'Nothing here matches. Try fewer words.'}
        </p>
      ) : (
        <div className="min-h-0 overflow-auto border border-rule-2 bg-sheet">
          <table className="w-full border-collapse text-left">
            <HeadRow names={HEADINGS} />
            {shown.map((kit) => (
              <tbody key={kit.id} className="border-t border-rule">
                {kit.pieces.map((piece, at) => (
                  <Row
                    key={piece.id}
                    piece={piece}
                    kit={kit}
                    first={at === 0}
                    onEdit={() => setOpen({ kind: 'edit', piece, kit })}
                    onApart={() => setOpen({ kind: 'apart', kit })}
                  />
                ))}
              </tbody>
            ))}
          </table>
        </div>
      )}
      {open?.kind === 'add' && <PieceDialog onClose={close} />}
      {open?.kind === 'edit' && <PieceDialog piece={open.piece} kit={open.kit} onClose={close} />}
      {open?.kind === 'apart' && <TakeApart kit={open.kit} onClose={close} />}
    </>
  )
}

interface RowProps {
  piece: ShopModule
  kit: KitOnShelf
  first: boolean
  onEdit: () => void
  onApart: () => void
}

function Row({ piece, kit, first, onEdit, onApart }: RowProps) {
  const { module, serialNumber, condition, testedOn, fromJobId, fromJob, keptFor, price, note } =
    piece
  return (
    <tr className={kit.whole ? 'border-l-4 border-gold-line' : ''}>
      <td className="px-3 py-1.5">
        <b className="font-semibold">{describeModule(module)}</b>
        <span className="block text-sm text-ink-2">
          {organisation(module)}
          {kit.whole && first && ` · kit of ${kit.pieces.length}, kept together`}
          {module.kit && !kit.whole && ` · one of a kit of ${module.kit.size}`}
        </span>
      </td>
      <td className="px-3">
        {module.article}
        {note && <span className="block text-sm text-ink-2">{note}</span>}
      </td>
      <td className="px-3 font-mono text-sm">{serialNumber || '–'}</td>
      <td className="px-3 whitespace-nowrap">
        {condition ?? 'state not known'}
        <span className={`block text-sm ${testedOn ? 'text-ink-2' : 'font-medium text-risk'}`}>
          {testedOn ? `tested ${day(testedOn)}` : 'untested'}
        </span>
      </td>
      <td className="px-3 whitespace-nowrap">
        {fromJobId ? (
          <Link to={`/jobs/${fromJobId}`} className="underline">
            job {fromJob}
          </Link>
        ) : (
          '–'
        )}
      </td>
      <td className="px-3 whitespace-nowrap">
        {keptFor ? (
          <Link to={`/jobs/${keptFor.jobId}/plan`} className="font-medium text-gold underline">
            job {keptFor.number}
          </Link>
        ) : (
          '–'
        )}
      </td>
      <td className="px-3 text-right whitespace-nowrap">
        {price === null ? <span className="text-risk">no price</span> : money(price)}
      </td>
      <td className="w-px px-1">
        <span className="flex justify-end">
          {kit.whole && first && (
            <button
              type="button"
              onClick={onApart}
              aria-label={`Take the kit ${module.article} apart`}
              title="Take the kit apart"
              className="grid size-11 place-items-center rounded-sm hover:bg-sheet-2"
            >
              <Split size={17} aria-hidden />
            </button>
          )}
          <button
            type="button"
            onClick={onEdit}
            aria-label={`Change ${module.article}${serialNumber ? `, ${serialNumber}` : ''}`}
            className="grid size-11 place-items-center rounded-sm hover:bg-sheet-2"
          >
            <Pencil size={17} aria-hidden />
          </button>
        </span>
      </td>
    </tr>
  )
}
