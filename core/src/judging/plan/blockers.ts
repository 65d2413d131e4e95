import {
  type Blocker,
  type PlanOption,
  type PlanRequest,
  POLICIES,
  type Policy,
  REQUIREMENTS,
  type Relaxed,
  type Requirement,
} from './request'

interface Result {
  options: PlanOption[]
  examined: number
}

/** Every smallest set of what was asked that, relaxed together, opens a plan up, each with the nearest one. */
export function blockersOf(
  request: PlanRequest,
  optionsOf: (eased: PlanRequest) => Result,
): { blockers: Blocker[]; examined: number } {
  const asked = REQUIREMENTS.filter((requirement) => isAsked(request, requirement))
  const blockers: Blocker[] = []
  let examined = 0
  for (const some of subsets(asked)) {
    if (blockers.some(({ requirements }) => holdsAll(some, requirements))) continue
    for (const policy of policiesOf(request, some)) {
      const result = optionsOf(eased(request, some, policy))
      examined += result.examined
      const option = nearest(request, result.options)
      if (!option) continue
      blockers.push({ requirements: some, to: relaxedTo(request, some, option, policy), option })
      break
    }
  }
  if (blockers.length === 0) blockers.push({ requirements: ['supply'], to: {}, option: null })
  return { blockers, examined }
}

/** One that is not asked for cannot stand in the way. */
function isAsked({ need, policy }: PlanRequest, requirement: Requirement): boolean {
  switch (requirement) {
    case 'minGiB':
      return need.minGiB > 0
    case 'budget':
      return need.budget !== null
    case 'freeSlots':
      return (need.freeSlots ?? 0) > 0
    case 'listed':
      return need.listed != null
    case 'policy':
      return policy !== POLICIES.at(-1)
  }
}

/** Every set of these but the empty one, the smallest first. */
function subsets(of: readonly Requirement[]): Requirement[][] {
  const sets: Requirement[][] = [[]]
  for (const one of of) sets.push(...sets.map((some) => [...some, one]))
  return sets.filter(({ length }) => length > 0).sort((a, b) => a.length - b.length)
}

const holdsAll = (some: readonly Requirement[], all: readonly string[]): boolean =>
  all.every((one) => (some as readonly string[]).includes(one))

/** The policies to try, the least loose first; the one asked for where it is not relaxed. */
const policiesOf = ({ policy }: PlanRequest, some: readonly Requirement[]): readonly Policy[] =>
  some.includes('policy') ? POLICIES.slice(POLICIES.indexOf(policy) + 1) : [policy]

function eased(request: PlanRequest, some: readonly Requirement[], policy: Policy): PlanRequest {
  const { need } = request
  return {
    ...request,
    policy,
    need: {
      minGiB: some.includes('minGiB') ? 0 : need.minGiB,
      budget: some.includes('budget') ? null : need.budget,
      freeSlots: some.includes('freeSlots') ? 0 : (need.freeSlots ?? 0),
      listed: some.includes('listed') ? null : (need.listed ?? null),
    },
  }
}

/** The plan that comes nearest to what was asked: in memory, then in slots left free, then in cost. */
function nearest(
  { machine, need }: PlanRequest,
  options: readonly PlanOption[],
): PlanOption | null {
  const worth = (one: PlanOption) => [
    Math.min(one.usableGiB, need.minGiB),
    Math.min(freeSlotsOf(machine, one), need.freeSlots ?? 0),
    -one.cost,
  ]
  return options.reduce<PlanOption | null>((best, one) => {
    if (!best) return one
    const [own, held] = [worth(one), worth(best)]
    const at = own.findIndex((figure, n) => figure !== held[n])
    return at >= 0 && (own[at] as number) > (held[at] as number) ? one : best
  }, null)
}

const freeSlotsOf = ({ slots }: PlanRequest['machine'], { placement }: PlanOption): number =>
  slots.length - Object.keys(placement).length

function relaxedTo(
  { machine }: PlanRequest,
  some: readonly Requirement[],
  option: PlanOption,
  policy: Policy,
): Relaxed {
  return {
    ...(some.includes('minGiB') ? { minGiB: option.usableGiB } : {}),
    ...(some.includes('budget') ? { budget: option.cost } : {}),
    ...(some.includes('freeSlots') ? { freeSlots: freeSlotsOf(machine, option) } : {}),
    ...(some.includes('listed') ? { listed: null } : {}),
    ...(some.includes('policy') ? { policy } : {}),
  }
}
