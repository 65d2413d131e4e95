import { COLLECTIONS, type Collection } from '@tembrix/core/things/records'
import { type Records, type Rules, records } from '../things/records'
import { customerRules } from './customers'
import { fitRules } from './fits'
import { handoverRules } from './handovers'
import { jobRules } from './jobs'
import { machineRules } from './machines'
import { messageRules } from './messages'
import { modelRules } from './models'
import { moduleRules } from './modules'
import { orderRules } from './orders'
import { photoRules } from './photos'
import { planRules } from './plans'
import { quoteRules } from './quotes'
import { returnRules } from './returns'
import { verificationRules } from './verifications'

export { createJob } from './jobs'

/** Kinds with rules of their own. */
const RULES: { [C in Collection]?: Rules<C> } = {
  customers: customerRules,
  machines: machineRules,
  models: modelRules,
  jobs: jobRules,
  modules: moduleRules,
  plans: planRules,
  photos: photoRules,
  quotes: quoteRules,
  fits: fitRules,
  verifications: verificationRules,
  handovers: handoverRules,
  messages: messageRules,
  orders: orderRules,
  returns: returnRules,
  /** Reports as they came. */
  readings: { limit: '6mb' },
}

const recordsOf = <C extends Collection>(collection: C): Records =>
  records(collection, RULES[collection] ?? {})

/** Every kind of record that screens write, as it is kept. */
export const RECORDS = Object.fromEntries(
  COLLECTIONS.map((collection) => [collection, recordsOf(collection)]),
) as Record<Collection, Records>
