import { chaseFrom } from '@tembrix/core/shop/handover'
import { areMovesDone } from '@tembrix/core/shop/job'
import { agreedTo } from '@tembrix/core/shop/quote'
import {
  type BadModule,
  badModule,
  type Replacement,
  replacementsFor,
  replaceWith,
  type ToReplace,
} from '@tembrix/core/shop/replace'
import { Replace } from 'lucide-react'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { changing, making, type Write } from '../../../../base/data'
import { capacity, money, today } from '../../../../base/format'
import { useTechnician } from '../../../../base/shell'
import { Button, Check, Field, Select } from '../../../../base/ui'
import { describeModule } from '../../../../parts/board'
import { useJob, useModelRecord, useShop, WithOffers } from '../../base/file'

interface Props {
  /** The module at fault, as `moduleId unit`. */
  module: string
  /** Fault and evidence, as its supplier is told. */
  evidence: string
  /** The visit whose warranty of the shop's own covers it; null where none does. */
  ours: { number: number } | null
}

/** The way on from a bad module: another in its place, the bad one put aside, and a claim for it. */
export function ReplaceBad(props: Props) {
  return (
    <WithOffers>
      <Ways {...props} />
    </WithOffers>
  )
}

/** The claim for a bad module, ready to be sent to whoever stands by it. */
const claimFor = (jobId: string, bad: BadModule, evidence: string): Write =>
  making('claims', {
    jobId,
    moduleId: bad.moduleId,
    unit: bad.unit,
    what: evidence,
    invoice: bad.piece?.invoice ?? '',
    text: `${describeModule({ ...bad.module, kit: null })}, ${bad.module.article}`,
    slot: bad.slot,
    serial: bad.serial,
    against: bad.piece?.supplier ?? '',
    chaseOn: chaseFrom(today()),
  })

function Ways({ module, evidence, ours }: Props) {
  const view = useJob()
  const { file, planned, plan, pieces, shop, parts, edit } = view
  const model = useModelRecord()
  const { terms } = useShop()
  const navigate = useNavigate()
  const [technician] = useTechnician()
  const job: ToReplace = {
    jobId: file.id,
    machines: file.machines,
    planned: planned.assignment,
    pieces,
    shop,
    fit: file.fits[0],
    ordered: parts?.flatMap(({ ordered }) => ordered ?? []) ?? [],
  }
  const bad = badModule(job, module)
  const offered = bad ? replacementsFor(job, bad) : []
  const [chosen, setChosen] = useState(0)
  const [claims, setClaims] = useState(true)
  if (!bad) return null
  const known = file.claims.some(
    ({ moduleId, unit }) => moduleId === bad.moduleId && unit === bad.unit,
  )
  const claim = claims && !known ? [claimFor(file.id, bad, evidence)] : []
  const choice = offered[chosen] ?? offered[0]

  function replace(from: BadModule, { moduleId, unit }: Replacement) {
    const at = new Date().toISOString()
    const noted = {
      id: crypto.randomUUID(),
      why: evidence,
      at,
      by: technician,
      areMovesDone: areMovesDone(view, planned, model, terms),
    }
    const { placement, replaced } = replaceWith(job, from, { moduleId, unit }, noted)
    const [fit] = file.fits
    const [verification] = file.verifications
    const writes: Write[] = [
      changing('plans', plan, { placement }),
      ...(replaced && fit
        ? [changing('fits', fit, { replaced, ...(fit.finishedAt ? { goesOn: true } : {}) })]
        : []),
      ...(from.piece && (from.isOwn || !replaced)
        ? [
            changing('modules', from.piece, {
              bad: { at, by: technician, why: shortened(evidence) },
            }),
          ]
        : []),
      ...claim,
      // The trials were of the module that is out; the evidence stands in the claim and with the bad one.
      ...(verification ? [changing('verifications', verification, { trials: [] })] : []),
      ...warrantyQuote(),
    ]
    edit.settle('a bad module replaced', writes)
    navigate(`/jobs/${file.id}/${agreedTo(file.quotes) ? 'fit' : 'quote'}`)
  }

  /** Parts and work under our warranty, as a quote of nothing to pay. */
  function warrantyQuote(): Write[] {
    if (!ours || file.quotes.length > 0) return []
    const option = {
      id: crypto.randomUUID(),
      planId: plan.id,
      title: '',
      wording: null,
      minutes: null,
      credits: {},
      extras: [],
      underWarranty: ours.number,
    }
    return [making('quotes', { jobId: file.id, options: [option] })]
  }

  return (
    <section aria-label="Another in its place" className="mt-2 flex flex-col gap-2 bg-sheet p-2">
      {offered.length === 0 ? (
        <p>Nothing that can take its place lies on the shelf or is in a price list.</p>
      ) : (
        <Field label="Another in its place">
          {(control) => (
            <Select
              {...control}
              value={String(chosen)}
              options={offered.map((one, at) => ({
                value: String(at),
                label: replacementWords(one),
              }))}
              onValue={(at) => setChosen(Number(at))}
            />
          )}
        </Field>
      )}
      {known ? (
        <p className="text-sm">A claim for it is noted already.</p>
      ) : (
        <Check
          label={`Claim it${bad.piece?.supplier ? ` at ${bad.piece.supplier}` : ''}`}
          hint="The claim has the evidence above."
          checked={claims}
          onChecked={setClaims}
        />
      )}
      <div className="flex flex-wrap gap-2">
        {choice && (
          <Button look="main" onClick={() => replace(bad, choice)}>
            <Replace size={17} aria-hidden /> Put the bad one aside, take this
          </Button>
        )}
        {claim.length > 0 && (
          <Button onClick={() => edit.act('', claim)}>Note the claim only</Button>
        )}
      </div>
    </section>
  )
}

const shortened = (text: string) => text.slice(0, 500)

function replacementWords({ piece }: Replacement): string {
  const what = `${capacity(piece.module.capacityGiB)} ${piece.module.article}`
  const price = piece.price === null ? 'no price' : money(piece.price)
  const where =
    piece.source === 'shelf'
      ? `on the shelf${piece.condition === 'used' ? ', used' : ''}${piece.testedOn ? ', tested' : ''}`
      : `to order of ${piece.supplier || 'a supplier'}`
  return `${what}: ${where}, ${price}`
}
