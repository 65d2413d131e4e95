import {
  compareBuying,
  factoryGiB,
  factoryModules,
  type MachineCandidate,
} from '@tembrix/core/judging/buying'
import type { PlanRequest } from '@tembrix/core/judging/plan'
import { slotSizes } from '@tembrix/core/judging/sizing'
import { planSupply } from '@tembrix/core/shop/job'
import { startingPoints } from '@tembrix/core/things/machines'
import { type Machine, type Module, plainName } from '@tembrix/core/things/model'
import { ArrowLeft, Plus, Trash2 } from 'lucide-react'
import { type ReactNode, useMemo } from 'react'
import { Link } from 'react-router'
import {
  type BuyingMachine,
  compared,
  useAppDispatch,
  useAppSelector,
  useModelsQuery,
  useOffersOfKindQuery,
  useShelfQuery,
  useShopQuery,
} from '../../base/data'
import {
  CHOICES,
  capacity,
  currencySign,
  list,
  minorFrom,
  money,
  numberFrom,
  plural,
  speed,
} from '../../base/format'
import { Bar } from '../../base/shell'
import { Button, callout, Field, Select, TextInput } from '../../base/ui'
import { modeWord } from '../../parts/board'
import { likelyModule, moduleOf } from '../../parts/machineFields'
import { usePlanner } from '../../parts/planner/usePlanner'

/** The most machines that are compared. */
const MOST = 3
const EMPTY = 'empty'

/** Machines somebody may buy, side by side: each as it is sold, with the memory it would still need. */
export function BuyingScreen() {
  const dispatch = useAppDispatch()
  const { minGiB, machines } = useAppSelector(({ buying }) => buying)
  const { data: models = [] } = useModelsQuery()
  const { data: shop } = useShopQuery()
  const points = useMemo(() => startingPoints(models), [models])
  const set = (next: readonly BuyingMachine[]) => dispatch(compared({ machines: [...next] }))
  const first = points.find(({ id }) => id === 'laptop-2') ?? points[0]
  const add = () =>
    first &&
    set([
      ...machines,
      { id: crypto.randomUUID(), pointId: first.id, price: '', factory: {}, makersUpgrade: '' },
    ])
  const need = numberFrom(minGiB)
  return (
    <div className="flex min-h-dvh flex-col">
      <Bar compact>
        <h1 className="font-semibold">Which machine to buy</h1>
      </Bar>
      <main id="work" tabIndex={-1} className="outline-none mx-auto w-full max-w-6xl flex-1 p-4">
        <div className="mb-3 flex flex-wrap items-end gap-4">
          <Field
            label="Memory needed, GB usable"
            className="w-56"
            error={
              typeof need === 'number' && need > 0 ? undefined : 'Enter an amount of memory, in GB.'
            }
          >
            {(control) => (
              <TextInput
                {...control}
                inputMode="decimal"
                value={minGiB}
                onValue={(text) => dispatch(compared({ minGiB: text.slice(0, 10) }))}
              />
            )}
          </Field>
          <Button disabled={machines.length >= MOST} onClick={add}>
            <Plus size={17} aria-hidden /> Add a machine
          </Button>
          <Link to="/what-if" className="inline-flex min-h-11 items-center gap-2 underline">
            <ArrowLeft size={17} aria-hidden /> To the board without a job
          </Link>
        </div>
        {machines.length === 0 && (
          <p className={callout({ tone: 'ask' })}>
            Add two or three machines: what each costs, what its maker puts in, and what the maker
            asks for more memory. Ours is planned from the shelf and the suppliers’ offers.
          </p>
        )}
        <ul className="grid gap-4 md:grid-cols-2 lg:grid-cols-3">
          {machines.map((one, at) => {
            const machine = (points.find(({ id }) => id === one.pointId) ?? first)?.machine
            if (!machine || !shop) return null
            return (
              <li key={one.id} className="border-2 border-ink bg-sheet p-3">
                <OneMachine
                  at={at}
                  one={one}
                  machine={machine}
                  points={points.map(({ id, machine: of }) => ({ value: id, label: of.name }))}
                  minGiB={typeof need === 'number' && need > 0 ? need : 0}
                  policy={shop.policy}
                  onChange={(changes) =>
                    set(machines.map((other) => (other === one ? { ...one, ...changes } : other)))
                  }
                  onRemove={() => set(machines.filter((other) => other !== one))}
                />
              </li>
            )
          })}
        </ul>
      </main>
    </div>
  )
}

interface Props {
  at: number
  one: BuyingMachine
  machine: Machine
  points: readonly { value: string; label: string }[]
  minGiB: number
  policy: PlanRequest['policy']
  onChange: (changes: Partial<BuyingMachine>) => void
  onRemove: () => void
}

function OneMachine({ at, one, machine, points, minGiB, policy, onChange, onRemove }: Props) {
  const named = `machine ${at + 1}`
  const candidate = useMemo<MachineCandidate>(
    () => ({
      machine,
      price: amount(one.price),
      makersUpgrade: amount(one.makersUpgrade),
      factory: factoryOf(machine, one.factory),
    }),
    [machine, one],
  )
  const sum = (label: string, field: 'price' | 'makersUpgrade', hint?: string) => (
    <Field
      label={label}
      hint={hint}
      error={one[field] !== '' && amount(one[field]) === null ? 'An amount.' : undefined}
    >
      {(control) => (
        <TextInput
          {...control}
          inputMode="decimal"
          value={one[field]}
          onValue={(text) => onChange({ [field]: text.slice(0, 20) })}
        />
      )}
    </Field>
  )
  return (
    <section aria-label={`Machine ${at + 1}`} className="flex flex-col gap-2">
      <Field label={`Machine ${at + 1}`}>
        {(control) => (
          <Select
            {...control}
            value={one.pointId}
            options={points}
            onValue={(pointId) => onChange({ pointId, factory: {} })}
          />
        )}
      </Field>
      {sum(`Its price, ${currencySign()}`, 'price')}
      <fieldset>
        <legend className="text-sm font-semibold">As it is sold</legend>
        {machine.soldered.length > 0 && (
          <p className="text-sm">
            {capacity(machine.soldered.reduce((all, { module }) => all + module.capacityGiB, 0))}{' '}
            soldered
          </p>
        )}
        <div className="grid grid-cols-2 gap-2">
          {machine.slots.map(({ id }) => (
            <Field key={id} label={id}>
              {(control) => (
                <Select
                  {...control}
                  aria-label={`In ${id} of ${named}`}
                  value={one.factory[id] ? String(one.factory[id]) : EMPTY}
                  options={[
                    { value: EMPTY, label: 'empty' },
                    ...slotSizes(machine).map((gib) => ({
                      value: String(gib),
                      label: capacity(gib),
                    })),
                  ]}
                  onValue={(value) => {
                    const { [id]: _, ...others } = one.factory
                    onChange({
                      factory: value === EMPTY ? others : { ...others, [id]: Number(value) },
                    })
                  }}
                />
              )}
            </Field>
          ))}
        </div>
      </fieldset>
      {sum(
        `Its maker asks for ${capacity(minGiB)}, ${currencySign()} more`,
        'makersUpgrade',
        'Empty: not offered, or unknown.',
      )}
      <Outcome candidate={candidate} minGiB={minGiB} policy={policy} />
      <Button look="quiet" className="self-start" onClick={onRemove}>
        <Trash2 size={17} aria-hidden /> Remove {named}
      </Button>
    </section>
  )
}

/** An amount as typed, in minor units; null where there is none. */
function amount(text: string): number | null {
  const minor = minorFrom(text)
  return typeof minor === 'number' && minor >= 0 ? minor : null
}

/** Totals with the memory it needs, ours and its maker’s. */
function Outcome({
  candidate,
  minGiB,
  policy,
}: {
  candidate: MachineCandidate
  minGiB: number
  policy: PlanRequest['policy']
}) {
  const { machine } = candidate
  const { generation, formFactor } = machine
  const { data: shelf } = useShelfQuery({})
  const { data: offers } = useOffersOfKindQuery({ generation, formFactor })
  const request = useMemo<PlanRequest>(() => {
    const supply = planSupply([], [...(shelf ?? []), ...(offers ?? [])])
    return {
      machine,
      onHand: factoryModules(candidate),
      offers: supply.offers,
      need: { minGiB, budget: null, freeSlots: 0 },
      policy,
      settings: { profile: false },
    }
  }, [machine, candidate, shelf, offers, minGiB, policy])
  const { answer, share, failed } = usePlanner(request, null)
  if (failed) return <p className={callout({ tone: 'stop' })}>{failed}</p>
  if (!answer || share !== null || !shelf || !offers) {
    return <p className="text-ink-2">Planning…</p>
  }
  const looser = answer.blockers.find(({ requirements }) => requirements.join() === 'policy')
  const eased = answer.options.length === 0 && looser?.option ? looser : null
  const outcome = compareBuying(candidate, eased?.option ? [eased.option] : answer.options)
  const { option, total, makersTotal, thrownAway, reachGiB, slotsLeft } = outcome
  const run = option?.evaluation.run
  const apart = total !== null && makersTotal !== null ? makersTotal - total : null
  return (
    <dl aria-label="Outcome" className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-0.5 text-[0.93rem]">
      <Row name="As sold">{capacity(factoryGiB(candidate))}</Row>
      <Row name="Planned">
        {option
          ? `${capacity(option.usableGiB)}, ${modeWord(option.evaluation.mode)}, ${speed(run?.dataRate)}`
          : 'not with what is on offer'}
        {eased?.to.policy && `, only by “${CHOICES.policy[eased.to.policy]}”`}
      </Row>
      <Row name="Our modules">
        {option ? (option.cost === 0 ? 'none needed' : money(option.cost)) : '–'}
      </Row>
      <Row name="In all">
        <b className="font-semibold">{total === null ? '–' : money(total)}</b>
        {total === null && option && ' (its price is missing)'}
      </Row>
      <Row name="By its maker">
        {makersTotal === null ? '–' : money(makersTotal)}
        {apart !== null &&
          apart !== 0 &&
          `, ${money(Math.abs(apart))} ${apart > 0 ? 'more' : 'less'}`}
      </Row>
      <Row name="Thrown away">
        {thrownAway.length === 0 ? 'nothing' : list(thrownAway.map((gib) => capacity(gib)))}
      </Row>
      <Row name="Later">
        {slotsLeft === 0
          ? 'no slot free'
          : `${plural(slotsLeft, 'slot')} free, so up to ${capacity(reachGiB)}`}
        {machine.limits.totalGiB > (slotsLeft === 0 ? (option?.usableGiB ?? 0) : reachGiB) &&
          `; at most ${capacity(machine.limits.totalGiB)} with other modules`}
      </Row>
    </dl>
  )
}

function Row({ name, children }: { name: string; children: ReactNode }) {
  return (
    <>
      <dt className="text-ink-2">{name}</dt>
      <dd>{children}</dd>
    </>
  )
}

/** Standard modules of these sizes, as a maker puts them in. */
function factoryOf(
  machine: Machine,
  sizes: Readonly<Record<string, number>>,
): Record<string, Module> {
  const usual = likelyModule(machine)
  return Object.fromEntries(
    machine.slots.flatMap(({ id }) => {
      const capacityGiB = sizes[id]
      if (!capacityGiB) return []
      const module = moduleOf({ ...usual, capacityGiB }, Number(usual.speeds[0]?.dataRate ?? 0))
      return module ? [[id, { ...module, article: `factory ${plainName(module)}` }]] : []
    }),
  )
}
