type Value = Readonly<Record<string, unknown>>

/** What records had not yet in version 1, by the list they are in. */
const SINCE_1: Record<string, Value> = {
  modules: { cost: null, invoice: '', standsFor: null },
  pieces: { cost: null, invoice: '' },
  handovers: { setupFound: {} },
}
const JOB_SINCE_1 = { login: null, followUpOn: null, leadId: null }

const isObject = (value: unknown): value is object => typeof value === 'object' && value !== null

const added = (since: Value, record: unknown): unknown =>
  isObject(record) ? { ...since, ...record } : record

/** Lists of a file whose records have got what they had not yet. */
const listsWith = (since: Record<string, Value>, file: Value): Value =>
  Object.fromEntries(
    Object.entries(since).map(([list, blank]) => {
      const records = file[list]
      return [list, Array.isArray(records) ? records.map((one) => added(blank, one)) : records]
    }),
  )

/**
 * The file of a job in version 1 as it is in version 2: what there was not yet is blank, and there were no messages.
 * What is wrong in it stays wrong.
 */
function fromVersion1(file: Value): Value {
  const job = added(JOB_SINCE_1, file.job)
  return { messages: [], ...file, ...listsWith(SINCE_1, file), job, version: 2 }
}

/** The file of a job in version 2 as it is in version 3: modules name the unit they were ordered for `orderedFor`. */
function fromVersion2(file: Value): Value {
  const { modules } = file
  if (!Array.isArray(modules)) return { ...file, version: 3 }
  return { ...file, modules: modules.map(renamed), version: 3 }
}

function renamed(module: unknown): unknown {
  if (!isObject(module) || !('standsFor' in module)) return module
  const { standsFor: orderedFor, ...others } = module
  return { ...others, orderedFor }
}

/** Fields that records lack in version 3, by list, with their blank values. */
const SINCE_3: Record<string, Value> = {
  fits: { inTheWay: [], testFrom: null },
  verifications: { soak: null, errorLogs: [], besides: null },
}
const JOB_SINCE_3 = { ownSettings: null, withoutWork: null }

/** The file of a job in version 3 as it is in version 4: what there was not yet is blank. */
function fromVersion3(file: Value): Value {
  return { ...file, ...listsWith(SINCE_3, file), job: added(JOB_SINCE_3, file.job), version: 4 }
}

/** Fields that records lack in version 4, by list, with their blank values. */
const SINCE_4: Record<string, Value> = {
  fits: { hereWithoutOrder: [], replaced: [], fittedAs: null },
  modules: { bad: null },
  pieces: { bad: null },
  claims: { text: '', slot: '', serial: '', against: '', chaseOn: null, replacement: '' },
}

/** The file of a job in version 4 as it is in version 5: nothing was replaced or put aside. */
const fromVersion4 = (file: Value): Value => ({ ...file, ...listsWith(SINCE_4, file), version: 5 })

const UPGRADES = [fromVersion1, fromVersion2, fromVersion3, fromVersion4]

/** The file of a job of any version from 1 as it is in today's. */
export const inNewestForm = (file: Value): Value =>
  UPGRADES.slice(Number(file.version) - 1).reduce((older, upgrade) => upgrade(older), file)
