import { suggestedCredit } from '@tembrix/core/shop/money'
import { cameFor } from '@tembrix/core/shop/orders'
import { agreedTo } from '@tembrix/core/shop/quote'
import {
  type Assigned,
  DESTINATIONS,
  type Destination,
  type Fit,
  type Removed,
} from '@tembrix/core/things/records'
import { Flag, Tags } from 'lucide-react'
import { useMemo, useState } from 'react'
import { Link, useNavigate } from 'react-router'
import { expecting } from '../../../../base/data'
import { CHOICES } from '../../../../base/format'
import { Button, Select, TextInput } from '../../../../base/ui'
import { describeModule } from '../../../../parts/board'
import { type JobView, readingOf, useJob } from '../../base/file'
import type { Fitting } from './useFit'

interface Props {
  fitting: Fitting
}

/** What came out and went in, with serial numbers, where the old modules go, and the end of the work. */
export function TrayTab({ fitting }: Props) {
  const view = useJob()
  const { file, planned, now, pieces } = view
  const { removed } = fitting
  const serials = useMemo(() => readSerials(view), [view])
  const staying = new Set(Object.values(now.assignment).map(({ moduleId }) => moduleId))
  const into = Object.entries(planned.assignment).filter(
    ([, { moduleId }]) => !staying.has(moduleId),
  )
  return (
    <>
      <datalist id="serials-read">
        {serials.map((serial) => (
          <option key={serial} value={serial} />
        ))}
      </datalist>
      <section aria-label="Went in">
        <h3 className="font-semibold">Went in</h3>
        {into.length === 0 && <p className="text-ink-2">Nothing new.</p>}
        {into.map(([slot, { moduleId, unit }]) => (
          <Row
            key={slot}
            fitting={fitting}
            id={`${moduleId} ${unit}`}
            name={`${slot}: ${moduleName(view, moduleId)}`}
            usual={shelfSerial(view, { moduleId, unit })}
          />
        ))}
      </section>
      <section aria-label="Came out">
        <h3 className="font-semibold">Came out</h3>
        {removed.length === 0 && <p className="text-ink-2">Nothing stays out.</p>}
        {removed.map((moduleId) => (
          <div key={moduleId} className="border-b border-rule pb-2">
            <Row
              fitting={fitting}
              id={`${moduleId} 0`}
              name={moduleName(view, moduleId)}
              usual={serialRead(view, moduleId)}
            />
            <Goes fitting={fitting} moduleId={moduleId} />
          </div>
        ))}
      </section>
      <div className="flex flex-wrap gap-2">
        <Link
          to={`/jobs/${file.id}/labels`}
          className="inline-flex min-h-11 items-center gap-2 rounded-sm border border-rule-2 px-3 font-medium hover:bg-sheet-2"
        >
          <Tags size={17} aria-hidden /> Labels to print
        </Link>
      </div>
      {pieces.size > 0 && <Finish fitting={fitting} />}
    </>
  )
}

function moduleName({ pieces }: JobView, moduleId: string): string {
  const module = pieces.get(moduleId)?.module
  return module ? `${describeModule(module)}, ${module.article}` : 'a module that is gone'
}

/** Of the piece that was ordered for it, else of the piece itself; an article of a supplier's has none. */
function shelfSerial({ file, shop }: JobView, assigned: Assigned): string {
  const piece = cameFor(shop, file.id, assigned) ?? shop.find(({ id }) => id === assigned.moduleId)
  return piece?.source === 'shelf' ? piece.serialNumber : ''
}

/** Serial numbers that the job's readings give. */
function readSerials({ file }: JobView): string[] {
  const read = file.readings.flatMap((reading) =>
    readingOf(reading).observations.flatMap(({ what, value }) =>
      what === 'serial' ? [value as string] : [],
    ),
  )
  return [...new Set(read)]
}

/** The serial number that a system report or the contents give of the module found in that slot. */
function serialRead({ now, evidence }: JobView, moduleId: string): string {
  const slot = Object.keys(now.assignment).find((id) => now.assignment[id]?.moduleId === moduleId)
  const beliefs = evidence.slots.find((one) => one.slot === slot)?.beliefs
  const entry = beliefs?.find(({ what }) => what === 'serial')
  return typeof entry?.value === 'string' ? entry.value : ''
}

/** Whether a module of the customer's is put aside as bad. */
const isBad = ({ file }: JobView, moduleId: string): boolean =>
  file.modules.some(({ id, bad }) => id === moduleId && bad !== null)

/**
 * Where a removed module goes: as chosen, else on the shelf where the quote buys it or it is bad and claimed for, else
 * back to the customer.
 */
function goesTo(fit: Fit, moduleId: string, bought: boolean): Removed {
  return (
    fit.removed[moduleId] ?? {
      to: bought ? 'shelf' : 'customer',
      shelfId: crypto.randomUUID(),
      price: null,
    }
  )
}

/** Whether the approved quote buys a module from the customer. */
function isBought({ file }: JobView, moduleId: string): boolean {
  const quote = agreedTo(file.quotes)
  const option = quote?.options.find(({ id }) => id === quote?.approval?.optionId)
  return (option?.credits[moduleId] ?? 0) > 0
}

interface RowProps {
  fitting: Fitting
  id: string
  name: string
  /** The serial number that the shelf or a report knows. */
  usual: string
}

function Row({ fitting: { fit, set }, id, name, usual }: RowProps) {
  const value = fit.serials[id] ?? usual
  return (
    <div className="grid grid-cols-[1fr_11rem] items-center gap-2 py-1">
      <span className="text-[0.93rem]">{name}</span>
      <TextInput
        id={`serial-${id.replace(' ', '-')}`}
        aria-label={`Serial number of ${name}`}
        aria-invalid={false}
        aria-describedby={undefined}
        placeholder="serial number"
        list="serials-read"
        className="font-mono text-sm"
        value={value}
        onValue={(text) => set({ serials: { ...fit.serials, [id]: text.slice(0, 200) } })}
      />
    </div>
  )
}

function Goes({ fitting: { fit, set }, moduleId }: { fitting: Fitting; moduleId: string }) {
  const view = useJob()
  const { shop, pieces } = view
  const module = pieces.get(moduleId)?.module
  const bought = isBought(view, moduleId)
  const bad = isBad(view, moduleId)
  const goes = goesTo(fit, moduleId, bought || bad)

  function choose(to: Destination) {
    const price = module ? suggestedCredit(module, shop, 100) : 0
    set({
      removed: {
        ...fit.removed,
        [moduleId]: {
          to,
          shelfId: goes.shelfId,
          price: to === 'shelf' && price > 0 && !bad ? price : null,
        },
      },
    })
  }

  return (
    <div className="flex items-center gap-2">
      <span className="flex-1 text-sm text-ink-2">
        {bought ? 'The quote buys it from the customer.' : 'It goes'}
      </span>
      <span className="w-64">
        <Select
          aria-label="Where it goes"
          value={goes.to}
          options={DESTINATIONS.map((value) => ({
            value,
            label: bad && value === 'shelf' ? 'kept here, put aside as bad' : CHOICES.to[value],
          }))}
          onValue={(to) => !fit.finishedAt && choose(to)}
        />
      </span>
    </div>
  )
}

function Finish({ fitting }: Props) {
  const view = useJob()
  const navigate = useNavigate()
  const { fit, steps, tickOf, removed, settle } = fitting
  const [tried, setTried] = useState(false)
  if (fit.finishedAt) return null
  const open = steps.filter((step) => !tickOf(step)).length
  const why = open > 0 ? [`${open} steps are neither done nor left out.`] : []

  function finish() {
    setTried(true)
    if (why.length > 0) return
    const stopped = fit.runningSince
      ? {
          seconds: fit.seconds + Math.round((Date.now() - Date.parse(fit.runningSince)) / 1000),
          runningSince: null,
        }
      : {}
    const goes = removed.map((id) => [id, goesTo(fit, id, isBought(view, id) || isBad(view, id))])
    const serials = removed.flatMap((id) => {
      const read = serialRead(view, id)
      return fit.serials[`${id} 0`] === undefined && read !== '' ? [[`${id} 0`, read]] : []
    })
    settle(
      {
        ...stopped,
        removed: Object.fromEntries(goes),
        serials: { ...fit.serials, ...Object.fromEntries(serials) },
        finished: true,
      },
      'the end of the fitting',
      [expecting('plans', view.plan), expecting('jobs', view.file)],
    )
    navigate(`/jobs/${view.file.id}/verify`)
  }

  return (
    <section aria-label="Finish" className="border-t-2 border-rule pt-3">
      {tried &&
        why.map((one) => (
          <p key={one} className="font-medium text-stop">
            {one}
          </p>
        ))}
      <Button look="main" onClick={finish}>
        <Flag size={17} aria-hidden /> Fitted: on to Verify
      </Button>
      <p className="mt-1 text-sm text-ink-2">
        What came from the shelf then leaves it, and what the shop takes comes to it.
      </p>
    </section>
  )
}
