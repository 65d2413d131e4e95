import { STARTING_CAUSES } from '@tembrix/core/bench/diagnose'
import { POLICIES } from '@tembrix/core/judging/plan'
import { STARTING_USES } from '@tembrix/core/judging/sizing'
import { deepEqual, RANK_CHOICES } from '@tembrix/core/things/model'
import { type Person, STARTING_TEMPLATES, type STARTING_TERMS } from '@tembrix/core/things/records'
import { type ReactNode, useState } from 'react'
import { Link } from 'react-router'
import { useChangeShopMutation, useShopQuery } from '../../base/data'
import { CHOICES, list, money, plural } from '../../base/format'
import { Bar, useTechnician } from '../../base/shell'
import {
  Button,
  Check,
  ErrorText,
  Field,
  LoadError,
  Select,
  TextInput,
  Waiting,
} from '../../base/ui'
import { CAUSE_ROWS } from '../../parts/judgement'
import {
  CausesDialog,
  HoursDialog,
  PeopleDialog,
  TemplatesDialog,
  TermsDialog,
  UseTableDialog,
} from '../../parts/shop'
import { Changes } from './Changes'
import { LearningPart } from './LearningPart'
import { Logo } from './Logo'
import { hoursWords } from './words'

type Open = 'terms' | 'people' | 'hours' | 'templates' | 'uses' | 'causes' | null

/** What the shop has settled for all its jobs, in one place. */
export function SettingsScreen() {
  const { data: shop, error, refetch } = useShopQuery()
  const [open, setOpen] = useState<Open>(null)
  const close = () => setOpen(null)
  return (
    <div className="flex min-h-dvh flex-col">
      <Bar>
        <h1 className="font-semibold">Settings</h1>
      </Bar>
      <main
        id="work"
        tabIndex={-1}
        className="outline-none mx-auto flex w-full max-w-4xl flex-1 flex-col gap-5 bg-sheet p-5"
      >
        {error && !shop ? (
          <LoadError title="The settings cannot be read" onRetry={refetch}>
            The server does not answer.
          </LoadError>
        ) : !shop ? (
          <Waiting>Reading the settings…</Waiting>
        ) : (
          <>
            <Shop terms={shop.terms} onChange={() => setOpen('terms')} />
            <Logo shop={shop} />
            <Part
              name="Opening hours"
              act="Change the opening hours"
              onChange={() => setOpen('hours')}
            >
              {hoursWords(shop.hours)}
            </Part>
            <Part name="People" act="Change who works here" onChange={() => setOpen('people')}>
              {shop.people.length === 0
                ? 'Nobody is named.'
                : list(shop.people.map(({ name, owner }) => (owner ? `${name} (owner)` : name)))}
            </Part>
            <Part
              name="Messages to customers"
              act="Change the messages to customers"
              onChange={() => setOpen('templates')}
            >
              {plural(Object.keys(shop.templates).length, 'template')}
              {deepEqual(shop.templates, STARTING_TEMPLATES) && ', as they came'}.
            </Part>
            <BuyingPolicy />
            <Part
              name="Table of uses"
              act="Change the table of uses"
              onChange={() => setOpen('uses')}
            >
              {plural(shop.uses.uses.length, 'use')}; {shop.uses.systemGiB} GB for the system itself
              {deepEqual(shop.uses, STARTING_USES) && ', as it came'}.
            </Part>
            <Part
              name="How often each cause of trouble is met"
              act="Change the causes"
              onChange={() => setOpen('causes')}
            >
              {plural(CAUSE_ROWS.length, 'cause')}
              {deepEqual(shop.causes, STARTING_CAUSES) && ', as they came'}.
            </Part>
            <LearningPart shop={shop} />
            <ThisScreen people={shop.people} />
            <section aria-label="Backups">
              <h2 className="text-lg font-semibold">Backups</h2>
              <Link to="/backups" className="inline-flex min-h-11 items-center underline">
                To the backups
              </Link>
            </section>
            <Changes />
            {open === 'terms' && <TermsDialog onClose={close} />}
            {open === 'people' && <PeopleDialog onClose={close} />}
            {open === 'hours' && <HoursDialog onClose={close} />}
            {open === 'templates' && <TemplatesDialog onClose={close} />}
            {open === 'uses' && <UseTableDialog table={shop.uses} onClose={close} />}
            {open === 'causes' && <CausesDialog onClose={close} />}
          </>
        )}
      </main>
    </div>
  )
}

interface PartProps {
  name: string
  /** What its button does. */
  act: string
  onChange: () => void
  children: ReactNode
}

function Part({ name, act, onChange, children }: PartProps) {
  return (
    <section aria-label={name} className="border-b border-rule pb-3">
      <div className="flex items-center gap-3">
        <h2 className="mr-auto text-lg font-semibold">{name}</h2>
        <Button aria-label={act} onClick={onChange}>
          Change
        </Button>
      </div>
      <div>{children}</div>
    </section>
  )
}

function Shop({ terms, onChange }: { terms: typeof STARTING_TERMS; onChange: () => void }) {
  const { warranty } = terms
  const months = (count: number | null) => (count === null ? 'not said' : plural(count, 'month'))
  const rows: [string, string][] = [
    ['Name', terms.shopName || 'none yet: it stands on every quote and report'],
    ['Address', terms.address || 'none yet'],
    [
      'Money',
      `${terms.currency}, tax ${terms.taxPercent} %${terms.pricesIncludeTax ? ', in the prices' : ', added to the prices'}`,
    ],
    ['Labour', `${money(terms.hourlyRate)} an hour`],
    [
      'Quotes',
      `valid ${plural(terms.validDays, 'day')}, deposit ${terms.depositPercent} %, old modules for ${terms.creditPercent} % of the price`,
    ],
    [
      'Warranty',
      `new parts ${months(warranty.newParts)}, used parts ${months(warranty.usedParts)}, work ${months(warranty.work)}`,
    ],
    [
      'Every machine is tested',
      terms.testHours === null ? 'no rule' : `for ${plural(terms.testHours, 'hour')}`,
    ],
    ['Memory tests run from', CHOICES.testFrom[terms.testFrom]],
    [
      'Paper, labels, dates',
      `${terms.paper}, ${terms.label ? `labels of ${terms.label.width} × ${terms.label.height} mm` : 'labels on sheets'}, ${terms.dateFormat}`,
    ],
  ]
  return (
    <Part name="Shop, money, labour, warranty" act="Change the shop’s terms" onChange={onChange}>
      <dl className="grid gap-x-4 gap-y-1 sm:grid-cols-[12rem_1fr]">
        {rows.map(([name, value]) => (
          <div key={name} className="contents">
            <dt className="text-ink-2">{name}</dt>
            <dd className="mb-1 whitespace-pre-line sm:mb-0">{value}</dd>
          </div>
        ))}
      </dl>
    </Part>
  )
}

/** By which policy the shop plans what to buy, where a job has none of its own. */
function BuyingPolicy() {
  const { data: shop, isFetching } = useShopQuery()
  const [change, { error, isLoading }] = useChangeShopMutation()
  if (!shop) return null
  return (
    <section aria-label="Buying policy" className="border-b border-rule pb-3">
      <h2 className="text-lg font-semibold">Buying policy</h2>
      {/* A second change before the first is read back would be of an older version. */}
      <fieldset disabled={isLoading || isFetching}>
        <Field label="Plans are made by" className="max-w-xs">
          {(control) => (
            <Select
              {...control}
              value={shop.policy}
              options={POLICIES.map((value) => ({ value, label: CHOICES.policy[value] }))}
              onValue={(policy) => change({ version: shop.version, policy })}
            />
          )}
        </Field>
        <Field
          label="Ranks, among plans that gain alike"
          className="mt-2 max-w-xs"
          hint="Two ranks give some work a few per cent of bandwidth; one loads the controller least and reaches the highest profiles."
        >
          {(control) => (
            <Select
              {...control}
              value={shop.terms.ranks ?? 'any'}
              options={RANK_CHOICES.map((value) => ({ value, label: CHOICES.ranks[value] }))}
              onValue={(ranks) =>
                change({ version: shop.version, terms: { ...shop.terms, ranks } })
              }
            />
          )}
        </Field>
        <Check
          label="New jobs plan only what the maker’s list names"
          checked={shop.terms.onlyListed ?? false}
          onChecked={(onlyListed) =>
            change({ version: shop.version, terms: { ...shop.terms, onlyListed } })
          }
        />
        <p className="text-sm text-ink-2">
          The surest choice, for customers who cannot be without the machine; it costs more, and
          lists are short. Each job may say otherwise under Plan.
        </p>
      </fieldset>
      <ErrorText>
        {error ? 'Not saved: somebody may have changed it meanwhile. Try once more.' : ''}
      </ErrorText>
    </section>
  )
}

/** Who works at this screen: noted with what they do. */
function ThisScreen({ people }: { people: readonly Person[] }) {
  const [name, setName] = useTechnician()
  return (
    <section aria-label="Who works here" className="border-b border-rule pb-3">
      <h2 className="text-lg font-semibold">Who works at this screen</h2>
      <datalist id="people">
        {people.map((one) => (
          <option key={one.id} value={one.name} />
        ))}
      </datalist>
      <Field
        label="Name"
        className="max-w-xs"
        hint="Kept in this browser, noted with what is read, resolved, tested and handed over."
      >
        {(control) => <TextInput {...control} list="people" value={name} onValue={setName} />}
      </Field>
    </section>
  )
}
