import { grouped } from '@tembrix/core/things/model'
import type { NeededLine } from '@tembrix/core/things/records'
import { PackagePlus } from 'lucide-react'
import { useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { saidOf, useCreateOrderMutation, useNeededLinesQuery } from '../../base/data'
import { day, money, plural } from '../../base/format'
import { Button, Check, callout, LoadError, Waiting } from '../../base/ui'
import { describeModule } from '../../parts/board'

/** What approved jobs need and neither the customer nor the shelf has, by supplier. */
export function ToOrder() {
  const { data, error, refetch } = useNeededLinesQuery(undefined, {
    refetchOnMountOrArgChange: true,
  })
  const suppliers = grouped(data ?? [], ({ supplier }) => supplier)
  return (
    <section aria-label="To order" className="flex flex-col gap-3">
      <h2 className="text-lg font-semibold">To order</h2>
      {error && !data ? (
        <LoadError title="What is to be ordered cannot be read" onRetry={refetch} />
      ) : !data ? (
        <Waiting>Reading what jobs need…</Waiting>
      ) : data.length === 0 ? (
        <p className="text-ink-2">
          Nothing. Parts of suppliers come here as soon as a customer approves a quote.
        </p>
      ) : (
        [...suppliers].map(([supplier, lines]) => (
          <Supplier key={supplier} supplier={supplier} lines={lines} />
        ))
      )}
    </section>
  )
}

const keyOf = ({ jobId, moduleId }: NeededLine) => `${jobId} ${moduleId}`

function Supplier({ supplier, lines }: { supplier: string; lines: readonly NeededLine[] }) {
  const navigate = useNavigate()
  const [create, { error, isLoading }] = useCreateOrderMutation()
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set())
  const chosen = lines.filter((line) => !left.has(keyOf(line)))
  const days = chosen.flatMap(({ leadDays }) => leadDays ?? [])

  async function order() {
    const { data } = await create({
      id: crypto.randomUUID(),
      supplier,
      lines: chosen.map(({ jobId, moduleId, module, purchases, price }) => ({
        id: crypto.randomUUID(),
        jobId,
        moduleId,
        module,
        purchases,
        price,
      })),
    })
    if (data) navigate(`/orders/${data.id}`)
  }
  const toggle = (line: NeededLine, on: boolean) =>
    setLeft((now) => {
      const next = new Set(now)
      if (on) next.delete(keyOf(line))
      else next.add(keyOf(line))
      return next
    })

  return (
    <div className="rounded-sm border border-rule bg-sheet p-3">
      <div className="flex flex-wrap items-center gap-3">
        <h3 className="mr-auto font-semibold">{supplier || 'No supplier named'}</h3>
        <span className="text-sm text-ink-2">
          {days.length > 0 && `comes in up to ${plural(Math.max(...days), 'day')}`}
        </span>
        <Button
          look="main"
          disabled={chosen.length === 0 || isLoading || supplier === ''}
          onClick={order}
        >
          <PackagePlus size={18} aria-hidden /> Make an order of {plural(chosen.length, 'line')}
        </Button>
      </div>
      {supplier === '' && (
        <p className={callout({ tone: 'ask' })}>
          Whose articles these are is not noted: name the supplier with them on the Shelf.
        </p>
      )}
      <ul>
        {lines.map((line) => (
          <li key={keyOf(line)} className="border-t border-rule py-1">
            <div className="flex flex-wrap items-center gap-x-4">
              <span className="min-w-72 flex-1">
                <Check
                  checked={!left.has(keyOf(line))}
                  onChecked={(on) => toggle(line, on)}
                  label={
                    <>
                      {line.purchases.length} × {line.module.article}
                    </>
                  }
                  hint={describeModule(line.module)}
                />
              </span>
              <Link
                to={`/jobs/${line.jobId}`}
                className="inline-flex min-h-11 min-w-11 items-center underline"
              >
                Job {line.job}, {line.customerName}
              </Link>
              <span className="w-32 text-sm text-ink-2">
                {line.dueOn ? `due ${day(line.dueOn)}` : 'no due date'}
              </span>
              <span className="w-28 text-right tabular-nums">
                {line.price === null ? 'no price' : money(line.price * line.purchases.length)}
              </span>
            </div>
          </li>
        ))}
      </ul>
      {error && (
        <p role="alert" className={callout({ tone: 'stop' })}>
          {saidOf(error)}
        </p>
      )}
    </div>
  )
}
