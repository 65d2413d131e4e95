import type { ShopModule } from '@tembrix/core/things/records'
import { RefreshCw, Trash2 } from 'lucide-react'
import { useDeferredValue, useMemo, useState } from 'react'
import {
  loadedRows,
  saidOf,
  useAskSupplierMutation,
  useOffersInfiniteQuery,
  usePriceListsQuery,
  useRemoveModuleMutation,
} from '../../base/data'
import { ago, money, plural } from '../../base/format'
import { type Column, DataTable } from '../../base/table'
import { Button, Confirm, callout, IconButton, LoadMore, Nothing } from '../../base/ui'
import { describeModule } from '../../parts/board'
import { COMES, WHAT } from './columns'
import { PriceLists } from './PriceLists'
import { SearchBox } from './SearchBox'

const COLUMNS: readonly Column<ShopModule>[] = [
  ...WHAT,
  {
    id: 'supplier',
    name: 'Supplier',
    sortBy: ({ supplier }) => supplier || null,
    cell: ({ supplier }) => supplier || '–',
  },
  {
    id: 'available',
    name: 'Available',
    look: 'whitespace-nowrap',
    sortBy: ({ stock }) => stock,
    cell: (offer) => <Stock offer={offer} />,
  },
  COMES,
  {
    id: 'price',
    name: 'Price',
    figures: true,
    sortBy: ({ price }) => price,
    cell: ({ price }) => (price === null ? 'no price' : money(price)),
  },
]

/** Offers that the supplier is asked about at a time. */
const ASKED = 100

/** What suppliers sell, as far as it was taken up: by search or by price list. */
export function Offers() {
  const [search, setSearch] = useState('')
  const sought = useDeferredValue(search)
  const found = useOffersInfiniteQuery(sought, { refetchOnMountOrArgChange: true })
  const shown = loadedRows(found.data)
  const [ask, asking] = useAskSupplierMutation()
  const [remove, removing] = useRemoveModuleMutation()
  const { data: lists = [] } = usePriceListsQuery()
  const [dropping, setDropping] = useState<ShopModule | null>(null)
  const columns = useMemo(() => [...COLUMNS, dropColumn(setDropping)], [])
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        <SearchBox
          label="Search the offers"
          placeholder="Capacity, speed, part number, supplier"
          value={search}
          onValue={setSearch}
        />
        <Button
          disabled={asking.isLoading || !shown?.length}
          onClick={() => ask((shown ?? []).slice(0, ASKED).map(({ id }) => id))}
        >
          <RefreshCw size={17} aria-hidden className={asking.isLoading ? 'animate-spin' : ''} />
          {asking.isLoading ? 'Asking…' : 'Ask again'}
        </Button>
        <PriceLists lists={lists} />
      </div>
      {asking.error && <Failure of={asking.error} />}
      {asking.data && !asking.isLoading && !asking.error && (
        <p className="text-sm" aria-live="polite">
          Asked about {plural(asking.data.asked, 'part number')}; {asking.data.sold} still sold.
        </p>
      )}
      {removing.error && <Failure of={removing.error} />}
      {dropping && (
        <Confirm
          title="Drop this offer?"
          action="Drop it"
          onConfirm={() => remove(dropping)}
          onClose={() => setDropping(null)}
        >
          {describeModule(dropping.module)}, {dropping.module.article}
          {dropping.supplier && `, of ${dropping.supplier}`}. It comes back when the supplier is
          asked, or with a price list.
        </Confirm>
      )}
      {!shown ? (
        <Nothing>{found.error ? 'The server does not answer.' : 'Reading the offers…'}</Nothing>
      ) : shown.length === 0 ? (
        <Nothing>
          {sought.trim() === ''
            ? 'No offer is known. Ask the supplier, or import a price list.'
            : 'No offer matches. Try fewer words.'}
        </Nothing>
      ) : (
        <DataTable
          name="Offers"
          rows={shown}
          columns={columns}
          keyOf={({ id }) => id}
          more={found.hasNextPage}
          foot={<LoadMore list={found} />}
        />
      )}
    </>
  )
}

const dropColumn = (onDrop: (offer: ShopModule) => void): Column<ShopModule> => ({
  id: 'drop',
  name: '',
  cell: (offer) => (
    <IconButton label={`Drop ${offer.module.article}`} onClick={() => onDrop(offer)} look="remove">
      <Trash2 size={17} aria-hidden />
    </IconButton>
  ),
})

function Stock({ offer: { stock, askedAt } }: { offer: ShopModule }) {
  return (
    <>
      {stock === null ? (
        'not asked'
      ) : stock === 0 ? (
        <span className="font-medium text-risk">out of stock</span>
      ) : (
        stock
      )}
      {askedAt && <span className="block text-xs text-ink-2">{ago(askedAt)}</span>}
    </>
  )
}

/** Why a supplier, or the server, did not answer. */
export function Failure({ of }: { of: unknown }) {
  return (
    <p role="alert" className={callout({ tone: 'stop' })}>
      {saidOf(of, 'The server does not answer.')} What was known before is still here.
    </p>
  )
}
