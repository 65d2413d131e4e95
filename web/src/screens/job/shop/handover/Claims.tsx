import {
  type Claimable,
  chaseFrom,
  claimable,
  isOpenClaim,
  standsBy,
} from '@tembrix/core/shop/handover'
import {
  CLAIM_STATES,
  ClaimChange,
  type HandoverDocument,
  type WarrantyClaim,
} from '@tembrix/core/things/records'
import { ShieldAlert } from 'lucide-react'
import { useState } from 'react'
import { changing, making } from '../../../../base/data'
import { CHOICES, day, list, today } from '../../../../base/format'
import { Button, DateInput, Field, Select, TextInput } from '../../../../base/ui'
import { describeModule } from '../../../../parts/board'
import { useJob, useJobForm } from '../../base/file'
import type { HandingOver } from './useHandover'

interface Props {
  handing: HandingOver
  document: HandoverDocument
}

/** Fitted modules that turned out bad after all, and what became of their warranty. */
export function Claims({ handing: { facts, handover }, document }: Props) {
  const { file, planned, edit } = useJob()
  const parts = claimable(facts.parts, planned.assignment)
  const open = handover.signed
    ? parts.filter(
        ({ moduleId, unit }) =>
          !file.claims.some((claim) => claim.moduleId === moduleId && claim.unit === unit),
      )
    : []
  if (open.length === 0 && file.claims.length === 0) return null
  return (
    <section aria-label="Warranty claims">
      <h3 className="font-semibold">Warranty claims</h3>
      <ul className="flex flex-col gap-3">
        {file.claims.map((claim) => (
          <li key={claim.id} className="border-t border-rule pt-2">
            <ClaimView
              claim={claim}
              part={parts.find((one) => isOf(one, claim))}
              document={handover.signed ? document : null}
            />
          </li>
        ))}
      </ul>
      {open.length > 0 && (
        <Select
          aria-label="A fitted module turned out bad"
          value=""
          options={[
            { value: '', label: 'A fitted module turned out bad…' },
            ...open.map(({ slot, module, serial }) => ({
              value: slot,
              label: `${slot}: ${nameOf({ module })}${serial ? `, ${serial}` : ''}`,
            })),
          ]}
          onValue={(slot) => {
            const part = open.find((one) => one.slot === slot)
            if (part) edit.act('', [making('claims', claimOf(file.id, part))])
          }}
        />
      )}
    </section>
  )
}

const claimOf = (jobId: string, part: Claimable) => ({
  jobId,
  moduleId: part.moduleId,
  unit: part.unit,
  invoice: part.invoice,
  text: `${nameOf(part)}, ${part.module.article}`,
  slot: part.slot,
  serial: part.serial,
  against: part.supplier,
  chaseOn: chaseFrom(today()),
})

const isOf = (part: Claimable, { moduleId, unit }: WarrantyClaim) =>
  part.moduleId === moduleId && part.unit === unit

const nameOf = ({ module }: Pick<Claimable, 'module'>) => describeModule({ ...module, kit: null })

function ClaimView({
  claim,
  part,
  document,
}: {
  claim: WarrantyClaim
  part: Claimable | undefined
  /** The signed report; null before there is one. */
  document: HandoverDocument | null
}) {
  const form = useJobForm('claims', claim, ClaimChange.shape)
  const text = claim.text || (part ? `${nameOf(part)}, ${part.module.article}` : 'A module')
  const [slot, serial] = [claim.slot || part?.slot, claim.serial || part?.serial]
  return (
    <div className="flex flex-col gap-2">
      <p>
        <ShieldAlert size={16} aria-hidden className="mr-1 inline text-risk" />
        <b className="font-semibold">{text}</b>
        {slot && `, slot ${slot}`}
        {serial && (
          <>
            , serial <span className="font-mono">{serial}</span>
          </>
        )}
        .{' '}
        {document &&
          part &&
          `Fitted by ${day(document.on)}. ${
            document.tests.length > 0
              ? `Tested then: ${list(document.tests)}.`
              : 'No stability test is on record.'
          }`}
        {document && part && <span className="block">{standing(document, part)}</span>}
      </p>
      <Field label="Fault, and how it was found" error={form.error('what')}>
        {(control) => (
          <TextInput
            {...control}
            lines={4}
            value={form.value('what')}
            onValue={(text) => form.set(text, 'what')}
          />
        )}
      </Field>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        {FIELDS.map(([name, label]) => (
          <Field key={name} label={label} error={form.error(name)}>
            {(control) => (
              <TextInput
                {...control}
                value={form.value(name)}
                onValue={(text) => form.set(text, name)}
              />
            )}
          </Field>
        ))}
        <Field label="State">
          {(control) => (
            <Select
              {...control}
              value={claim.state}
              options={CLAIM_STATES.map((value) => ({ value, label: CHOICES.state[value] }))}
              onValue={(state) => form.set(state, 'state')}
            />
          )}
        </Field>
        {isOpenClaim(claim.state) && (
          <Field label="Ask again on" error={form.error('chaseOn')}>
            {(control) => (
              <DateInput
                {...control}
                value={form.value('chaseOn')}
                onValue={(text) => form.set(text === '' ? null : text, 'chaseOn')}
              />
            )}
          </Field>
        )}
      </div>
      <ReplacementCame claim={claim} />
    </div>
  )
}

const FIELDS = [
  ['against', 'Claimed at'],
  ['invoice', 'Invoice'],
  ['reference', 'Their reference'],
] as const

/** The replacement that came for a claim: a piece of the shelf with its serial number. */
function ReplacementCame({ claim }: { claim: WarrantyClaim }) {
  const { file, pieces, edit } = useJob()
  const [serial, setSerial] = useState('')
  const module = pieces.get(claim.moduleId)?.module
  if (claim.replacement) {
    return (
      <p className="text-sm">
        Replacement on the shelf: <span className="font-mono">{claim.replacement}</span>.
      </p>
    )
  }
  if (!module || claim.state === 'noted' || claim.state === 'refused') return null
  function takeIn() {
    if (!module || serial.trim() === '') return
    const fresh = {
      source: 'shelf' as const,
      module: { ...module, kit: null },
      condition: 'new' as const,
      serialNumber: serial.trim(),
      supplier: claim.against,
      note: `Replacement for ${claim.serial || claim.text}, job ${file.number}`,
    }
    edit.settle('a replacement', [
      making('modules', fresh),
      changing('claims', claim, { state: 'replaced', replacement: serial.trim(), chaseOn: null }),
    ])
  }
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault()
        takeIn()
      }}
    >
      <Field label="Serial number of the replacement" className="flex-1">
        {(control) => <TextInput {...control} value={serial} onValue={setSerial} />}
      </Field>
      <Button type="submit" disabled={serial.trim() === ''}>
        It is here: to the shelf
      </Button>
    </form>
  )
}

function standing(document: HandoverDocument, { slot }: Claimable): string {
  const { shop, maker } = standsBy(document, slot, today())
  const said = [
    shop && `we stand by it until ${day(shop)}`,
    maker && `its maker or supplier until ${day(maker)}`,
  ].filter((one) => one !== null)
  return said.length === 0
    ? 'No warranty that still runs is on record; the law may give one.'
    : `Today: ${list(said)}.`
}
