import { type Claimable, claimable, standsBy } from '@tembrix/core/shop/handover'
import {
  CLAIM_STATES,
  ClaimChange,
  type HandoverDocument,
  type WarrantyClaim,
} from '@tembrix/core/things/records'
import { ShieldAlert } from 'lucide-react'
import { making } from '../../../../base/data'
import { CHOICES, day, list, today } from '../../../../base/format'
import { Field, Select, TextInput } from '../../../../base/ui'
import { describeModule } from '../../../../parts/board'
import { useJob, useJobForm } from '../../base/file'
import type { HandingOver } from './useHandover'

interface Props {
  handing: HandingOver
  document: HandoverDocument
}

/** Fitted modules that turned out bad after all, and what became of their warranty. */
export function Claims({ handing: { facts }, document }: Props) {
  const { file, planned, edit } = useJob()
  const parts = claimable(facts.parts, planned.assignment)
  const open = parts.filter(
    ({ moduleId, unit }) =>
      !file.claims.some((claim) => claim.moduleId === moduleId && claim.unit === unit),
  )
  if (parts.length === 0) return null
  return (
    <section aria-label="Warranty claims">
      <h3 className="font-semibold">Warranty claims</h3>
      <ul className="flex flex-col gap-3">
        {file.claims.map((claim) => (
          <li key={claim.id} className="border-t border-rule pt-2">
            <ClaimView
              claim={claim}
              part={parts.find((one) => isOf(one, claim))}
              document={document}
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
            if (!part) return
            const { moduleId, unit, invoice } = part
            edit.act('', [making('claims', { jobId: file.id, moduleId, unit, invoice })])
          }}
        />
      )}
    </section>
  )
}

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
  document: HandoverDocument
}) {
  const form = useJobForm('claims', claim, ClaimChange.shape)
  return (
    <div className="flex flex-col gap-2">
      {part ? (
        <p>
          <ShieldAlert size={16} aria-hidden className="mr-1 inline text-risk" />
          <b className="font-semibold">{nameOf(part)}</b>, {part.module.article}, slot {part.slot}
          {part.serial && (
            <>
              , serial <span className="font-mono">{part.serial}</span>
            </>
          )}
          {part.supplier && `, of ${part.supplier}`}. Fitted by {day(document.on)}.{' '}
          {document.tests.length > 0
            ? `Tested then: ${list(document.tests)}.`
            : 'No stability test is on record.'}
          <span className="block">{standing(document, part)}</span>
        </p>
      ) : (
        <p>The module of this claim is no longer in the plan on the board.</p>
      )}
      <Field label="What it does, and how that was found" error={form.error('what')}>
        {(control) => (
          <TextInput
            {...control}
            lines={2}
            value={form.value('what')}
            onValue={(text) => form.set(text, 'what')}
          />
        )}
      </Field>
      <div className="grid grid-cols-2 gap-2 sm:grid-cols-3">
        <Field label="Invoice" error={form.error('invoice')}>
          {(control) => (
            <TextInput
              {...control}
              value={form.value('invoice')}
              onValue={(text) => form.set(text, 'invoice')}
            />
          )}
        </Field>
        <Field label="Their reference" error={form.error('reference')}>
          {(control) => (
            <TextInput
              {...control}
              value={form.value('reference')}
              onValue={(text) => form.set(text, 'reference')}
            />
          )}
        </Field>
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
      </div>
    </div>
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
