import type { ShopModule } from '@tembrix/core/records'
import { RefreshCw, Trash2 } from 'lucide-react'
import { useDeferredValue, useState } from 'react'
import {
  rowsOf,
  useAskSupplierMutation,
  useOffersInfiniteQuery,
  usePriceListsQuery,
  useRemoveModuleMutation,
} from '../../base/data'
import { ago, Button, Confirm, HeadRow, More, money, plural } from '../../base/ui'
import { describeModule, organisation } from '../../parts/board'
import { PriceLists } from './PriceLists'
import { SearchBox } from './SearchBox'
import { kitOf } from './words'

const HEADINGS = ['Module', 'Article', 'Sold as', 'Supplier', 'To be had', 'Comes in', 'Price', '']

/** Offers that the supplier is asked about at a time. */
const ASKED = 100

/** What suppliers sell, as far as it was taken up: by search or by price list. */
export function Offers() {
  const [search, setSearch] = useState('')
  const sought = useDeferredValue(search)
  const found = useOffersInfiniteQuery(sought, { refetchOnMountOrArgChange: true })
  const shown = rowsOf(found.data)
  const [ask, asking] = useAskSupplierMutation()
  const [remove, removing] = useRemoveModuleMutation()
  const { data: lists = [] } = usePriceListsQuery()
  const [dropping, setDropping] = useState<ShopModule | null>(null)
  return (
    <>
      <div className="flex flex-wrap items-center gap-3">
        <SearchBox
          label="Search the offers"
          placeholder="Capacity, rate, article, supplier"
          value={search}
          onValue={setSearch}
        />
        <Button
          disabled={asking.isLoading || !shown?.length}
          onClick={() => ask((shown ?? []).slice(0, ASKED).map(({ id }) => id))}
        >
          <RefreshCw size={17} aria-hidden className={asking.isLoading ? 'animate-spin' : ''} />
          {asking.isLoading ? 'Asking…' : 'Ask anew'}
        </Button>
        <PriceLists lists={lists} />
      </div>
      {asking.error && <Failure of={asking.error} />}
      {asking.data && !asking.isLoading && !asking.error && (
        <p className="text-sm" aria-live="polite">
          Asked about {plural(asking.data.asked, 'article')}; {asking.data.sold} still sold.
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
        <p className="p-8 text-center text-ink-2">
          {found.error ? 'The server does not answer.' : 'Reading the offers…'}
        </p>
      ) : shown.length === 0 ? (
        <p className="p-8 text-center text-ink-2">
          {sought.trim() === ''
            ? 'No offer is known. Ask the supplier, or import a price list.'
            : 'No offer matches. Try fewer words.'}
        </p>
      ) : (
        <div className="min-h-0 overflow-auto border border-rule-2 bg-sheet">
          <table className="w-full border-collapse text-left">
            <HeadRow names={HEADINGS} />
            <tbody>
              {shown.map((offer) => (
                <tr key={offer.id} className="h-12 border-t border-rule">
                  <td className="px-3 font-semibold">
                    {describeModule(offer.module)}{' '}
                    <span className="text-sm font-normal text-ink-2">
                      {organisation(offer.module)}
                    </span>
                  </td>
                  <td className="px-3">{offer.module.article}</td>
                  <td className="px-3 whitespace-nowrap">{kitOf(offer.module)}</td>
                  <td className="px-3">{offer.supplier || '–'}</td>
                  <td className="px-3 whitespace-nowrap">
                    <Stock offer={offer} />
                  </td>
                  <td className="px-3 whitespace-nowrap">
                    {offer.leadDays === null ? '–' : plural(offer.leadDays, 'day')}
                  </td>
                  <td className="px-3 text-right whitespace-nowrap">
                    {offer.price === null ? 'no price' : money(offer.price)}
                  </td>
                  <td className="w-px px-1">
                    <button
                      type="button"
                      aria-label={`Drop ${offer.module.article}`}
                      onClick={() => setDropping(offer)}
                      className="grid size-11 place-items-center rounded-sm hover:bg-stop-soft"
                    >
                      <Trash2 size={17} aria-hidden />
                    </button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <More list={found} />
        </div>
      )}
    </>
  )
}

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
  const said = (of as { data?: { error?: { message?: string } } }).data?.error?.message
  return (
    <p role="alert" className="border-l-4 border-stop bg-stop-soft px-3 py-2">
      {said ?? 'The server does not answer.'} What was known before is still here.
    </p>
  )
}
