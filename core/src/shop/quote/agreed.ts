import { deepEqual } from '../../things/model'
import type { Assignment, Plan, QuotedOption, Replaced } from '../../things/records'
import { withReplacements } from './replaced'

type Agreed = Pick<QuotedOption, 'placement' | 'profile' | 'manual' | 'machines'>

/**
 * Whether what is planned is what was agreed to, for as many `machines`. An offer that does not say for how many it is
 * is for one; one that does not say what is set by hand leaves that open. A bad module that was `replaced` since is
 * agreed to as what replaced it.
 */
export const isAgreed = (
  { placement, profile, manual, machines: offered }: Agreed,
  planned: Assignment,
  asked: Pick<Plan, 'profile' | 'manual'>,
  machines = offered ?? 1,
  replaced: readonly Pick<Replaced, 'slot'>[] = [],
): boolean =>
  (offered ?? 1) === machines &&
  profile === asked.profile &&
  deepEqual(withReplacements(placement, planned, replaced), planned) &&
  (manual === undefined || deepEqual(manual, asked.manual))
