import { aboveRating } from '@tembrix/core/judging/evaluate'
import { isSteadier } from '@tembrix/core/judging/forecast'
import {
  type PlacedPiece,
  type PlanOption,
  type PlanRequest,
  type Relaxed,
  recommendations,
  verdicts,
} from '@tembrix/core/judging/plan'
import { testedWith } from '@tembrix/core/reading/lists'
import { planSupply, staying } from '@tembrix/core/shop/job'
import { deepEqual } from '@tembrix/core/things/model'
import { type Assignment, isFreeFor } from '@tembrix/core/things/records'
import { Pin } from 'lucide-react'
import { lazy, Suspense, useCallback, useMemo, useState } from 'react'
import { making, type Write } from '../../../../base/data'
import { list, plural, tidy } from '../../../../base/format'
import { Button, Check, callout } from '../../../../base/ui'
import { describeModule } from '../../../../parts/board'
import { OBJECTION_WORDS } from '../../../../parts/judgement'
import { usePlanner } from '../../../../parts/planner/usePlanner'
import {
  type JobNeed,
  type JobView,
  useAdvice,
  useBudget,
  useJob,
  useNeed,
  useShop,
  useValidated,
} from '../../base/file'
import { Blockers } from './Blockers'
import { FreeFirst } from './FreeFirst'
import { NeedLine } from './NeedLine'
import { OptionTable } from './OptionTable'
import { Recommendations } from './Recommendations'
import { SetAsideList } from './SetAsideList'
import { useBeside } from './useBeside'
import { PLANS_KEPT, RECOMMENDATION_NAMES } from './words'

const TradeOffs = lazy(async () => ({ default: (await import('./TradeOffs')).TradeOffs }))

const NO_OPTIONS: readonly PlanOption[] = []

/** Every trade-off worth having for this job, the first of them named; choosing one puts it on the board. */
export function PlanOptions() {
  const view = useJob()
  const need = useNeed()
  const { terms } = useShop()
  const { layout } = useAdvice()
  const { file, machine, now, plan, planned, pieces, shop, edit } = view
  const { id, machines } = file
  const supply = useMemo(() => {
    const free = shop.filter((one) => isFreeFor(one, { id, machines }))
    return planSupply(file.modules, free)
  }, [file.modules, id, machines, shop])
  const { minGiB, policy } = need
  const spend = useBudget()
  const budget = spend.parts
  const { freeSlots, onlyListed } = file.sizing
  const validated = useValidated()
  const listed = useMemo(() => {
    if (!validated) return null
    const offered = (supply.offers as { module: { article: string } }[]).map(({ module }) => module)
    const articles = new Set([...supply.onHand, ...offered].map(({ article }) => article))
    return [...articles].flatMap((article) => {
      const modules = testedWith(validated.index, article)
      return modules === null ? [] : [{ article, modules }]
    })
  }, [validated, supply])
  const only = onlyListed ? listed : null
  // Where the controller drops to half rate, every fast plan counts a second time, set to the ceiling.
  const tune = machine.profiles && machine.syncCeiling !== null
  const request = useMemo<PlanRequest>(
    () => ({
      machine,
      onHand: supply.onHand,
      offers: supply.offers,
      need: { minGiB, budget, freeSlots, listed: only },
      policy,
      settings: { profile: plan.profile, tune },
    }),
    [machine, supply, minGiB, budget, freeSlots, only, policy, plan.profile, tune],
  )
  const { answer, byPolicy, onList, share, failed, cancel } = usePlanner(
    request,
    only ? null : listed,
  )
  const options = answer?.options ?? NO_OPTIONS
  const modulesOf = useCallback(
    ({ placement }: PlanOption) =>
      Object.fromEntries(
        Object.entries(placement).map(([slot, piece]) => [slot, supply.moduleOf(piece) ?? null]),
      ),
    [supply],
  )
  const gainOf = useCallback(
    (option: PlanOption) => need.gainOf(option.evaluation, modulesOf(option)),
    [need, modulesOf],
  )
  const named = useMemo(() => {
    if (!byPolicy) return []
    const { moduleOf } = supply
    return recommendations({
      machine,
      found: now.evaluation,
      byPolicy,
      policy,
      listed: onList,
      moduleOf,
      ranks: terms.ranks ?? 'any',
      isUnlikely: (option) =>
        aboveRating(machine, modulesOf(option), option.evaluation)?.grade === 'unlikely',
      gainOf: (option) => gainOf(option)?.median ?? 1,
      isSteadier: (option) => {
        const gain = gainOf(option)
        return gain !== null && isSteadier(gain)
      },
    })
  }, [machine, now.evaluation, byPolicy, onList, policy, gainOf, modulesOf, supply, terms.ranks])

  const assignmentOf = useCallback(
    (option: PlanOption) => staying(supply.assignmentOf(option.placement), file.found, pieces),
    [supply, file.found, pieces],
  )
  const besideOf = useBeside(assignmentOf, validated)

  const [listedOnly, setListedOnly] = useState(false)
  const shown = useMemo(
    () => (listedOnly ? options.filter((option) => besideOf(option).listed) : options),
    [listedOnly, options, besideOf],
  )

  function choose(option: PlanOption) {
    const manual = option.settings?.manual ?? null
    edit.step('plans', plan, { placement: assignmentOf(option), manual })
  }

  /** Changes exactly the requirements that stand in the way. */
  function relax(to: Relaxed) {
    const { minGiB: gib, budget: money, freeSlots: slots, policy: looser } = to
    const sizing = {
      ...file.sizing,
      ...(gib === undefined ? {} : { wantedGiB: gib }),
      ...(slots === undefined ? {} : { freeSlots: slots }),
      ...(to.listed === undefined ? {} : { onlyListed: false }),
    }
    edit.step('jobs', file, {
      sizing,
      ...(money === undefined ? {} : { budget: spend.wholeFor(money) }),
      ...(looser === undefined ? {} : { policy: looser === need.shopPolicy ? null : looser }),
    })
  }

  const isKept = (option: PlanOption) =>
    file.plans.some(
      ({ id, placement }) => id !== plan.id && deepEqual(placement, assignmentOf(option)),
    )

  /** The first pick on the board, the others kept beside it under their names. */
  function keepPicks() {
    const distinct = named.filter(
      (pick, at) => named.findIndex(({ option }) => option === pick.option) === at,
    )
    const [first, ...others] = distinct
    if (first) choose(first.option)
    const writes: Write[] = []
    const fresh = others.filter(({ option }) => !isKept(option))
    for (const { name, option } of fresh.slice(0, PLANS_KEPT - file.plans.length + 1)) {
      const fields = { name: RECOMMENDATION_NAMES[name], placement: assignmentOf(option) }
      const manual = option.settings?.manual ?? null
      const { profile } = plan
      writes.push(making('plans', { jobId: file.id, ...fields, profile, manual }))
    }
    edit.act('the picks', writes)
  }

  /** What a piece of an option is called. */
  const nameOf = (piece: PlacedPiece) => {
    const placed = supply.assignmentOf({ only: piece }).only
    const module = pieces.get(placed?.moduleId ?? '')?.module
    return module ? `${describeModule(module)}, ${module.article}` : 'the same module'
  }

  const onBoard = piecesIn(planned.assignment)
  const { capacity, run } = planned.evaluation
  const isCurrent = (option: PlanOption) =>
    option.usableGiB === capacity.usableGiB &&
    option.wholePeakGBs === run?.wholePeakGBs &&
    option.firstWordNs === run?.firstWordNs &&
    piecesIn(assignmentOf(option)) === onBoard
  const current = options.find(isCurrent)
  return (
    <div className="flex flex-col gap-3">
      {layout?.free && <FreeFirst free={layout.free} />}
      <NeedLine need={need} spend={spend} validated={validated} />
      <Progress share={share} cancel={cancel} />
      {failed && <p className={callout({ tone: 'stop' })}>{failed}</p>}
      {answer && options.length === 0 && (
        <Blockers
          blockers={answer.blockers}
          onChoose={choose}
          wholeFor={spend.wholeFor}
          onRelax={relax}
        />
      )}
      {options.length > 0 && (
        <>
          <Recommendations
            recommendations={named}
            isCurrent={isCurrent}
            nameOf={nameOf}
            onChoose={choose}
          />
          {new Set(named.map(({ option }) => option)).size > 1 && (
            <Button
              className="self-start"
              disabled={file.plans.length > PLANS_KEPT}
              onClick={keepPicks}
            >
              <Pin size={17} aria-hidden /> Keep these, to quote from
            </Button>
          )}
          <section aria-label="Trade-offs">
            <h3 className="font-semibold">
              {plural(options.length, 'trade-off')} worth having
              <span className="font-normal text-ink-2">
                : whatever is not here costs more for no more
              </span>
            </h3>
            {options.length > 1 && (
              <Suspense fallback={<div className="h-56" />}>
                <TradeOffs options={options} current={current} onChoose={choose} />
              </Suspense>
            )}
            {!current && <p className="text-sm">{whyAbsent(view, need, budget)}</p>}
            {validated && !onlyListed && (
              <Check
                label="Show only those listed for their number of modules"
                checked={listedOnly}
                onChecked={setListedOnly}
              />
            )}
            <OptionTable
              options={shown}
              current={current}
              gainOf={gainOf}
              besideOf={besideOf}
              onChoose={choose}
            />
          </section>
        </>
      )}
      {answer && <SetAsideList answer={answer} unpriced={supply.unpriced.length} />}
    </div>
  )
}

/** Why the plan on the board is not among the trade-offs. */
function whyAbsent(
  { machine, planned, cost }: JobView,
  { minGiB, policy }: JobNeed,
  budget: number | null,
): string {
  const { evaluation, placement } = planned
  const its = (why: string) => `The plan on the board is not among them: ${why}.`
  if (!evaluation.starts) return its('the machine would not start')
  if (evaluation.capacity.usableGiB < minGiB) return its(`it has less than ${tidy(minGiB, 1)} GB`)
  if (budget !== null && cost.total > budget) return its('it is over the budget')
  const objections = verdicts(machine, placement)[policy]
  if (objections.length === 0) return its('another gives as much for no more money')
  return its(`the buying policy objects, as ${list(objections.map((one) => OBJECTION_WORDS[one]))}`)
}

/** Shown only where a search takes long enough to be noticed. */
function Progress({ share, cancel }: { share: number | null; cancel: () => void }) {
  if (share === null) return null
  return (
    <div className="flex min-h-11 items-center gap-3 text-sm text-ink-2">
      <progress className="h-2 flex-1 accent-act" value={share} aria-label="Planning" />
      <span>{Math.round(share * 100)} %</span>
      <Button look="quiet" onClick={cancel}>
        Stop
      </Button>
    </div>
  )
}

/** The pieces of an assignment, wherever they sit. */
const piecesIn = (assignment: Assignment): string =>
  Object.values(assignment)
    .map(({ moduleId }) => moduleId)
    .sort()
    .join()
