import { PRICE_WORDS, pricesMeantBy } from '@tembrix/core/reading/lists'
import {
  type Offered,
  PRICE_LIST_LIMIT,
  type PriceColumn,
  type PriceList,
  type PricesMeant,
} from '@tembrix/core/things/records'
import { type ColumnHeadings, guessColumns } from '@tembrix/core/things/tables'
import { useCallback, useState } from 'react'
import { saidOf, takeInPriceList, useAppDispatch, useShopQuery } from '../../base/data'
import { capacity, minorUnits, money, numberFrom, plural } from '../../base/format'
import { Check, Field, Select, TextInput } from '../../base/ui'
import { inWorker } from '../../base/worker'
import { describeModule } from '../../parts/board'
import { ImportTable, type OpenedTable, TableFile } from '../../parts/tableFile'
import type { PriceQuestion, PricesRead } from './priceWorker'
import { kitOf } from './words'

/** The largest list that is opened, bytes. */
const LARGEST = 8_000_000

const NAMES: Record<PriceColumn, string> = {
  article: 'Part number',
  price: 'Price',
  label: 'Label or description',
  generation: 'Generation',
  form: 'Form factor',
  capacityGiB: 'Capacity',
  pieces: 'Pieces in the kit',
  dataRate: 'Speed',
  cl: 'CL',
  ranks: 'Ranks',
  width: 'Device width',
  ecc: 'ECC',
  stock: 'In stock',
  leadDays: 'Days to come',
}

const PREVIEW: { column: PriceColumn; show: (offer: Offered) => string }[] = [
  { column: 'article', show: ({ module }) => module.article },
  { column: 'capacityGiB', show: ({ module }) => describeModule(module) },
  { column: 'pieces', show: ({ module }) => kitOf(module) },
  { column: 'price', show: ({ price }) => money(price) },
  { column: 'stock', show: ({ stock }) => (stock === null ? '–' : String(stock)) },
  { column: 'leadDays', show: ({ leadDays }) => (leadDays === null ? '–' : String(leadDays)) },
]

interface Props {
  lists: readonly PriceList[]
}

/** Takes in a supplier's price list, and says what came of the last one. */
export function PriceLists({ lists }: Props) {
  const [opened, setOpened] = useState<OpenedTable | null>(null)
  const [last, setLast] = useState<PriceList | null>(null)
  const suppliers = [...new Set(lists.map(({ supplier }) => supplier))]
  return (
    <>
      <TableFile
        label="Price list"
        largest={LARGEST}
        mostRows={PRICE_LIST_LIMIT}
        onTable={setOpened}
      >
        Import a price list (CSV, XLSX)
      </TableFile>
      {last && (
        <p className="w-full text-sm" aria-live="polite">
          {last.name} of {last.supplier}: {last.added} added, {last.changed} changed,{' '}
          {last.unchanged} as before
          {last.endedAt === null
            ? `; stopped after ${last.taken} of ${last.offers}`
            : last.complete && `, ${last.dropped} no longer sold`}
          .
        </p>
      )}
      {opened && (
        <ImportDialog
          opened={opened}
          lists={lists}
          suppliers={suppliers}
          onDone={setLast}
          onClose={() => setOpened(null)}
        />
      )}
    </>
  )
}

interface ImportProps {
  opened: OpenedTable
  lists: readonly PriceList[]
  suppliers: readonly string[]
  onDone: (list: PriceList) => void
  onClose: () => void
}

function ImportDialog({ opened, lists, suppliers, onDone, onClose }: ImportProps) {
  const dispatch = useAppDispatch()
  // Under one id, so that it goes on where it stopped.
  const [id] = useState(() => crypto.randomUUID())
  const [running, setRunning] = useState<{ taken: number; stop: () => void } | null>(null)
  const [failed, setFailed] = useState<string | null>(null)
  const [supplier, setSupplier] = useState(lists[0]?.supplier ?? '')
  const [markUp, setMarkUp] = useState<unknown>(0)
  const [complete, setComplete] = useState(false)
  const [kitCapacity, setKitCapacity] = useState<'each' | 'whole' | null>(null)
  const [markParts, setMarkParts] = useState<'decimals' | 'thousands' | null>(null)
  const markUpPercent =
    typeof markUp === 'number' && markUp > -100 && markUp <= 1000 ? markUp : null
  const { table } = opened
  const { data: shop } = useShopQuery()
  const [chosen, setChosen] = useState<Partial<PricesMeant>>({})
  const before = lists.find(
    ({ mapping }) => mapping.headings.join('\n') === table.headings.join('\n'),
  )?.mapping.prices
  /** As chosen here, else as the heading says, else as it was for such a list before. */
  const meantBy = useCallback(
    ({ price = '' }: ColumnHeadings<PriceColumn>): PricesMeant => {
      const said = pricesMeantBy(price)
      return {
        tax: chosen.tax ?? said.tax ?? before?.tax ?? null,
        payer: chosen.payer ?? said.payer ?? before?.payer ?? null,
        kit: chosen.kit ?? said.kit ?? before?.kit ?? null,
      }
    },
    [chosen, before],
  )
  const { taxPercent: percent = 0, pricesIncludeTax: included = true } = shop?.terms ?? {}
  const read = useCallback(
    (
      columns: ColumnHeadings<PriceColumn>,
      onProgress: (done: number) => void,
      signal: AbortSignal,
    ) =>
      inWorker<PriceQuestion, PricesRead>(
        () => new Worker(new URL('./priceWorker.ts', import.meta.url), { type: 'module' }),
        {
          table,
          columns,
          terms: {
            markUpPercent: markUpPercent ?? 0,
            minorUnits: minorUnits(),
            kitCapacity,
            markParts,
            meant: meantBy(columns),
            tax: { percent, included },
          },
        },
        { onProgress, signal },
      ),
    [table, markUpPercent, kitCapacity, markParts, meantBy, percent, included],
  )
  async function take(offers: Offered[], mapping: PriceList['mapping']) {
    const ending = new AbortController()
    const stop = () => ending.abort()
    const prices = meantBy(mapping.columns)
    const list = { id, supplier, name: opened.name, mapping: { ...mapping, prices }, complete }
    setFailed(null)
    setRunning({ taken: 0, stop })
    try {
      const progress = (taken: number) => setRunning({ taken, stop })
      onDone(await takeInPriceList(dispatch, list, offers, { progress, signal: ending.signal }))
      onClose()
    } catch (error) {
      setFailed(messageOf(error))
    } finally {
      setRunning(null)
    }
  }

  function hindrance(columns: ColumnHeadings<PriceColumn>): string | undefined {
    const { tax, payer } = meantBy(columns)
    if (supplier.trim() === '') return 'Name the supplier.'
    if (markUpPercent === null) return 'The mark-up is no per cent figure.'
    if (payer === null) return 'Say whose prices these are.'
    if (tax === null) return 'Say whether the prices are with tax.'
    return shop ? undefined : 'The tax of the shop is not loaded yet.'
  }
  return (
    <ImportTable
      opened={opened}
      names={NAMES}
      preview={PREVIEW}
      guess={(headings) => guessColumns(headings, PRICE_WORDS)}
      remembered={lists.map(({ mapping }) => mapping)}
      read={read}
      one="offer"
      many="offers"
      busy={running !== null}
      progress={running && { done: running.taken, stop: running.stop }}
      failed={failed}
      hindrance={hindrance}
      onTake={take}
      onClose={onClose}
    >
      {(columns, rows) => (
        <>
          <NumbersRead
            written={rows?.written ?? null}
            markParts={markParts}
            onMarkParts={setMarkParts}
          />
          <PricesMeaning
            meant={meantBy(columns)}
            onChoice={(choice) => setChosen((now) => ({ ...now, ...choice }))}
          />
          <Field label="Where a row is a kit, its capacity is" className="mb-2">
            {(control) => (
              <Select
                {...control}
                value={kitCapacity ?? ''}
                options={[
                  { value: '', label: 'not said: rows that do not tell are left out' },
                  { value: 'each', label: 'that of one module' },
                  { value: 'whole', label: 'that of the whole kit' },
                ]}
                onValue={(value) =>
                  setKitCapacity(value === '' ? null : (value as 'each' | 'whole'))
                }
              />
            )}
          </Field>
          <div className="mb-3 grid grid-cols-[2fr_1fr_2fr] items-end gap-3 border-y border-rule py-2">
            <Field label="Supplier">
              {(control) => (
                <>
                  <TextInput {...control} value={supplier} onValue={setSupplier} />
                  {suppliers.length > 0 && (
                    <span className="flex flex-wrap gap-x-3 text-sm">
                      {suppliers.slice(0, 4).map((name) => (
                        <button
                          key={name}
                          type="button"
                          className="inline-flex min-h-11 items-center underline"
                          onClick={() => setSupplier(name)}
                        >
                          {name}
                        </button>
                      ))}
                    </span>
                  )}
                </>
              )}
            </Field>
            <Field
              label="Mark-up, %"
              hint={
                meantBy(columns).payer === 'customer'
                  ? 'Not put on prices for customers.'
                  : undefined
              }
            >
              {(control) => (
                <TextInput
                  {...control}
                  inputMode="decimal"
                  value={markUp}
                  onValue={(text) => setMarkUp(numberFrom(text) ?? 0)}
                />
              )}
            </Field>
            <Check
              label="This is all they sell"
              hint={`What it leaves out is then out of stock${lists.length > 0 ? `; ${plural(lists.length, 'list')} before` : ''}.`}
              checked={complete}
              onChecked={setComplete}
            />
          </div>
        </>
      )}
    </ImportTable>
  )
}

interface NumbersReadProps {
  written: PricesRead['written'] | null
  markParts: 'decimals' | 'thousands' | null
  onMarkParts: (parts: 'decimals' | 'thousands' | null) => void
}

/** Numbers of the list as they are read, and the question where nothing in the prices tells. */
function NumbersRead({ written, markParts, onMarkParts }: NumbersReadProps) {
  const { prices, stocks, days, capacities } = written ?? {}
  const doubtful = prices?.doubtful
  const isPriceTold = prices && prices.value !== null && (!doubtful || markParts)
  return (
    <div className="mb-2 flex flex-col gap-1">
      {doubtful && (
        <Field label={`In the prices, “${doubtful}” parts`}>
          {(control) => (
            <Select
              {...control}
              value={markParts ?? ''}
              options={[
                { value: '', label: 'not said: such rows are left out' },
                { value: 'decimals', label: 'decimals' },
                { value: 'thousands', label: 'thousands' },
              ]}
              onValue={(said) =>
                onMarkParts(said === '' ? null : (said as 'decimals' | 'thousands'))
              }
            />
          )}
        </Field>
      )}
      {isPriceTold && (
        <p className="text-sm">
          Prices: “{prices.example}” is read as{' '}
          {money(Math.round((prices.value ?? 0) * minorUnits()))}.
        </p>
      )}
      {stocks && (
        <p className="text-sm">
          In stock: “{stocks.example}” is read as {stocks.value ?? 'not said'}.
        </p>
      )}
      {days && (
        <p className="text-sm">
          Days to come: “{days.example}” is read as {days.value ?? 'not said'}.
        </p>
      )}
      {capacities && (
        <p className="text-sm">
          Capacity: “{capacities.example}” is read as{' '}
          {capacities.value === null ? 'not said' : capacity(capacities.value)}.
        </p>
      )}
    </div>
  )
}

const MEANINGS = {
  payer: {
    label: 'Whose prices',
    options: [
      { value: 'shop', label: 'what we pay' },
      { value: 'customer', label: 'what customers pay' },
    ],
  },
  tax: {
    label: 'Tax',
    options: [
      { value: 'with', label: 'prices with tax' },
      { value: 'without', label: 'prices without tax' },
    ],
  },
  kit: {
    label: 'A kit’s price is for',
    options: [
      { value: 'each', label: 'one module' },
      { value: 'whole', label: 'the whole kit' },
    ],
  },
} as const

interface MeaningProps {
  meant: PricesMeant
  onChoice: (choice: Partial<PricesMeant>) => void
}

/** Meaning of the prices of the list: as its heading says, else as somebody says here. */
function PricesMeaning({ meant, onChoice }: MeaningProps) {
  return (
    <div className="mb-2 grid grid-cols-3 gap-3">
      {(['payer', 'tax', 'kit'] as const).map((what) => (
        <Field key={what} label={MEANINGS[what].label}>
          {(control) => (
            <Select
              {...control}
              value={meant[what] ?? ''}
              options={[{ value: '', label: 'not said' }, ...MEANINGS[what].options]}
              onValue={(value) => onChoice({ [what]: value === '' ? null : value })}
            />
          )}
        </Field>
      ))}
    </div>
  )
}

function messageOf(error: unknown): string {
  return `${saidOf(error, 'The server does not answer.')} What was taken in stays; import it again to go on.`
}
