import { type CauseTable, STARTING_CAUSES } from '@tembrix/core/bench/diagnose'
import type { Policy } from '@tembrix/core/judging/plan'
import type { UseTable } from '@tembrix/core/judging/sizing'
import type { Machine, Manual, Module } from '@tembrix/core/things/model'
import {
  type ActDone,
  type Approval,
  type Assignment,
  type BackupConsent,
  type Cover,
  type Ended,
  type Fit,
  type FrameLog,
  type Handover,
  type HistoryLine,
  type Learning,
  type Login,
  type Measurement,
  type Message,
  type ModelRecord,
  type ModuleRecord,
  type ModuleSource,
  NOTHING_SIZED,
  type OfferedOn,
  type Order,
  type OwnSettings,
  type Person,
  type PieceCondition,
  type PriceList,
  type QuoteDocument,
  type QuoteOption,
  type RecordKind,
  type Rulings,
  type ScrewMap,
  type ScrewPin,
  type Sizing,
  type Sources,
  STARTING_LEARNING,
  STARTING_TEMPLATES,
  STARTING_TERMS,
  type Stage,
  type SupplierReturn,
  type Templates,
  type Terms,
  type ValidatedEntry,
  type ValidatedList,
  type Verification,
  type WarrantyClaim,
  type Week,
  type WithoutWork,
} from '@tembrix/core/things/records'
import { type SQL, sql } from 'drizzle-orm'
import {
  type AnyPgColumn,
  boolean,
  customType,
  date,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgSequence,
  pgTable,
  primaryKey,
  serial,
  text,
  unique,
  uuid,
} from 'drizzle-orm/pg-core'

/** A moment, as ISO text in UTC wherever it goes. */
const instant = customType<{ data: string; driverData: string }>({
  dataType: () => 'timestamp (3) with time zone',
  fromDriver: (value) => new Date(value).toISOString(),
})

const moment = (name: string) => instant(name).notNull().default(sql`now()`)

/** Counts every write, so that what came first is known whatever the clock said. */
export const writes = pgSequence('writes')
const nextWrite = sql`nextval('writes')`

const bytes = customType<{ data: Uint8Array; driverData: Uint8Array }>({ dataType: () => 'bytea' })

const stored = {
  id: uuid('id').primaryKey().defaultRandom(),
  version: integer('version').notNull().default(1),
  createdAt: moment('created_at'),
  updatedAt: moment('updated_at'),
  /** The write that made it, and the last that changed it. */
  firstWrite: integer('first_write').notNull().default(nextWrite),
  lastWrite: integer('last_write').notNull().default(nextWrite),
  /** The number of the shape it was written in. */
  shape: integer('shape').notNull().default(0),
}

/** Searched text of a row, folded by the functions of migration `0033_folded`, each word after a blank. */
const searchText = (expression: SQL) =>
  text('search_text').generatedAlwaysAs(sql`searchable(' ' || ${expression})`)
const searchIndex = (name: string, column: AnyPgColumn) =>
  index(name).using('gin', sql`${column} gin_trgm_ops`)

/** The ids of modules in the slots of an assignment, to be found by one of them. */
export const modulesIn = (assignment: AnyPgColumn) =>
  sql`jsonb_path_query_array(${assignment}, '$.*.moduleId')`

/**
 * A phone number in every form it may be looked for: its digits without zeros in front, and where it is
 * written with a country's code, without one, two or three digits of that.
 */
export const dialled = (phone: AnyPgColumn | SQL) => {
  const digits = sql`ltrim(regexp_replace(${phone}, '\\D', '', 'g'), '0')`
  const without = (count: number) =>
    sql`' tel:' || ltrim(substr(${digits}, ${sql.raw(String(count + 1))}), '0')`
  return sql`(' tel:' || ${digits} || case when ${phone} ~ '^\\s*([+]|00)'
    then ${without(1)} || ${without(2)} || ${without(3)} else '' end)`
}

const asJson = (value: object) => sql.raw(`'${JSON.stringify(value)}'::jsonb`)

/** One row: what the shop has settled for all its jobs. */
export const shops = pgTable('shops', {
  ...stored,
  uses: jsonb('uses').$type<UseTable>().notNull(),
  policy: text('policy').$type<Policy>().notNull(),
  terms: jsonb('terms').$type<Terms>().notNull().default(asJson(STARTING_TERMS)),
  causes: jsonb('causes').$type<CauseTable>().notNull().default(asJson(STARTING_CAUSES)),
  people: jsonb('people').$type<Person[]>().notNull().default(sql`'[]'::jsonb`),
  hours: jsonb('hours').$type<Week>(),
  templates: jsonb('templates').$type<Templates>().notNull().default(asJson(STARTING_TEMPLATES)),
  logo: text('logo'),
  learning: jsonb('learning').$type<Learning>().notNull().default(asJson(STARTING_LEARNING)),
})

export const customers = pgTable(
  'customers',
  {
    ...stored,
    name: text('name').notNull(),
    phone: text('phone').notNull(),
    email: text('email').notNull(),
    note: text('note').notNull(),
    searchText: searchText(sql`name || ' ' || phone || ' ' || email || ${dialled(sql`phone`)}`),
  },
  (table) => [
    index('customers_name').on(table.name, table.id),
    searchIndex('customers_search', table.searchText),
  ],
)

export const models = pgTable('models', {
  ...stored,
  machine: jsonb('machine').$type<Machine>().notNull(),
  sources: jsonb('sources').$type<Sources>().notNull(),
  hatch: boolean('hatch'),
  battery: text('battery').$type<ModelRecord['battery']>(),
  openingMinutes: integer('opening_minutes'),
  covers: jsonb('covers').$type<Cover[]>().notNull(),
  cautions: jsonb('cautions').$type<string[]>().notNull(),
  note: text('note').notNull(),
  screwMap: jsonb('screw_map').$type<ScrewMap>(),
})

export const validatedLists = pgTable(
  'validated_lists',
  {
    ...stored,
    modelId: uuid('model_id')
      .notNull()
      .references(() => models.id),
    name: text('name').notNull(),
    mapping: jsonb('mapping').$type<ValidatedList['mapping']>().notNull(),
    entries: jsonb('entries').$type<ValidatedEntry[]>().notNull(),
  },
  (table) => [index('validated_lists_model').on(table.modelId)],
)

export const machines = pgTable(
  'machines',
  {
    ...stored,
    customerId: uuid('customer_id')
      .notNull()
      .references(() => customers.id),
    serialNumber: text('serial_number').notNull(),
    note: text('note').notNull(),
    machine: jsonb('machine').$type<Machine>().notNull(),
    modelId: uuid('model_id').references(() => models.id),
    sources: jsonb('sources').$type<Sources>().notNull().default(sql`'{}'::jsonb`),
  },
  (table) => [index('machines_customer').on(table.customerId)],
)

export const jobs = pgTable(
  'jobs',
  {
    ...stored,
    number: serial('number').notNull().unique(),
    customerId: uuid('customer_id')
      .notNull()
      .references(() => customers.id),
    machineId: uuid('machine_id')
      .notNull()
      .references(() => machines.id),
    complaint: text('complaint').notNull(),
    uses: text('uses').notNull(),
    budget: integer('budget'),
    dueOn: date('due_on', { mode: 'string' }),
    stage: text('stage').$type<Stage>().notNull(),
    found: jsonb('found').$type<Assignment>().notNull().default(sql`'{}'::jsonb`),
    rulings: jsonb('rulings').$type<Rulings>().notNull().default(sql`'{}'::jsonb`),
    sizing: jsonb('sizing').$type<Sizing>().notNull().default(asJson(NOTHING_SIZED)),
    policy: text('policy').$type<Policy>(),
    condition: text('condition').notNull().default(''),
    ownSettings: jsonb('own_settings').$type<OwnSettings>(),
    withoutWork: jsonb('without_work').$type<WithoutWork>(),
    accessories: jsonb('accessories').$type<string[]>().notNull().default(sql`'[]'::jsonb`),
    backup: text('backup').$type<BackupConsent>(),
    login: text('login').$type<Login>(),
    followUpOn: date('follow_up_on', { mode: 'string' }),
    /** The job that this one is a new visit for. */
    followsId: uuid('follows_id').references((): AnyPgColumn => jobs.id),
    /** The first of several like machines. */
    leadId: uuid('lead_id').references((): AnyPgColumn => jobs.id),
    /** The plan on the board; no foreign key, since plans hang on jobs. */
    planId: uuid('plan_id'),
    /** Everything it may be found by; see `search/reindex.ts`. */
    searchText: text('search_text').notNull().default(''),
  },
  (table) => [
    index('jobs_written').on(table.lastWrite),
    index('jobs_customer').on(table.customerId),
    index('jobs_machine').on(table.machineId),
    index('jobs_lead').on(table.leadId).where(sql`lead_id is not null`),
    searchIndex('jobs_search', table.searchText),
    index('jobs_open').on(table.dueOn, table.number).where(sql`stage <> 'closed'`),
    index('jobs_modules').using('gin', modulesIn(table.found)),
  ],
)

const SEARCH_TEXT_OF_MODULE = sql`(module->>'capacityGiB') || ' GB '
  || (module->>'generation') || '-'
  || replace(trim('[]' from jsonb_path_query_array(module, '$.speeds[*].dataRate')::text), ', ', ' ' || (module->>'generation') || '-')
  || ' ' || replace(module->>'formFactor', 'SODIMM', 'SO-DIMM SODIMM')
  || ' ' || (module->>'ranks') || 'R×' || (module->>'deviceWidth') || ' ' || (module->>'ranks') || 'Rx' || (module->>'deviceWidth')
  || ' ' || (module->>'article') || ' ' || coalesce('kit ' || (module->'kit'->>'id'), '')
  || ' ' || serial_number || ' ' || supplier || ' ' || note`

/** Generation and form factor of a module, in one. */
export const OFFER_KIND = sql`((module->>'generation') || ' ' || (module->>'formFactor'))`

/** As `offeredKey` of the record: the pieces of its kit, and the article. */
export const OFFER_KEY = sql`(coalesce(module->'kit'->>'size', '1') || ' ' || lower(module->>'article'))`

export const modules = pgTable(
  'modules',
  {
    ...stored,
    jobId: uuid('job_id').references(() => jobs.id),
    source: text('source').$type<ModuleSource>().notNull(),
    module: jsonb('module').$type<Module>().notNull(),
    price: integer('price'),
    note: text('note').notNull(),
    condition: text('condition').$type<PieceCondition>(),
    testedOn: date('tested_on', { mode: 'string' }),
    serialNumber: text('serial_number').notNull().default(''),
    warrantyUntil: date('warranty_until', { mode: 'string' }),
    fromJobId: uuid('from_job_id').references(() => jobs.id),
    fittedJobId: uuid('fitted_job_id').references(() => jobs.id),
    supplier: text('supplier').notNull().default(''),
    stock: integer('stock'),
    leadDays: integer('lead_days'),
    askedAt: instant('asked_at'),
    /** What it was ordered for. */
    orderedFor: jsonb('ordered_for').$type<ModuleRecord['orderedFor']>(),
    cost: integer('cost'),
    invoice: text('invoice').notNull().default(''),
    bad: jsonb('bad').$type<ModuleRecord['bad']>(),
    /** The return to its supplier that it left the shelf with. */
    returnId: uuid('return_id'),
    /** The price list that named it last. */
    listId: uuid('list_id'),
    searchText: searchText(SEARCH_TEXT_OF_MODULE),
  },
  (table) => [
    index('modules_job').on(table.jobId),
    index('modules_fitted').on(table.fittedJobId),
    index('modules_serial').on(sql`lower(serial_number)`).where(sql`source = 'shelf'`),
    index('modules_ordered_for')
      .on(sql`(ordered_for->>'jobId')`)
      .where(sql`ordered_for is not null`),
    index('modules_of_shop').on(table.source, table.firstWrite).where(sql`job_id is null`),
    index('modules_of_kind')
      .on(table.source, OFFER_KIND, table.firstWrite)
      .where(sql`job_id is null`),
    index('modules_offered').on(table.supplier, OFFER_KEY).where(sql`source = 'supplier'`),
    searchIndex('modules_search', table.searchText),
  ],
)

/** The pieces of the shelf that plans hold: each for one job, which the key makes sure of. */
export const reservations = pgTable(
  'reservations',
  {
    moduleId: uuid('module_id')
      .primaryKey()
      .references(() => modules.id, { onDelete: 'cascade' }),
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id),
  },
  (table) => [index('reservations_job').on(table.jobId)],
)

/** What is ordered of suppliers. */
export const orders = pgTable(
  'orders',
  {
    ...stored,
    number: serial('number').notNull().unique(),
    supplier: text('supplier').notNull(),
    currency: text('currency').$type<Order['currency']>().notNull(),
    lines: jsonb('lines').$type<Order['lines']>().notNull(),
    note: text('note').notNull().default(''),
    sent: jsonb('sent').$type<Order['sent']>(),
    confirmation: jsonb('confirmation').$type<Order['confirmation']>(),
    arrived: jsonb('arrived').$type<Order['arrived']>().notNull().default(sql`'[]'::jsonb`),
    cancelled: jsonb('cancelled').$type<Order['cancelled']>(),
    open: boolean('open').notNull().default(true),
  },
  (table) => [index('orders_open').on(table.number).where(sql`open`)],
)

/** Parts that go back to suppliers. */
export const returns = pgTable('returns', {
  ...stored,
  number: serial('number').notNull().unique(),
  supplier: text('supplier').notNull(),
  currency: text('currency').$type<SupplierReturn['currency']>().notNull(),
  lines: jsonb('lines').$type<SupplierReturn['lines']>().notNull(),
  note: text('note').notNull().default(''),
  reference: text('reference').notNull().default(''),
  sent: jsonb('sent').$type<SupplierReturn['sent']>(),
  credited: jsonb('credited').$type<SupplierReturn['credited']>(),
})

/** The units of jobs' plans that orders stand for: each in one order, which the key makes sure of. */
export const unitsOnOrder = pgTable(
  'units_on_order',
  {
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id),
    moduleId: uuid('module_id').notNull(),
    unit: integer('unit').notNull(),
    orderId: uuid('order_id')
      .notNull()
      .references(() => orders.id, { onDelete: 'cascade' }),
    lineId: uuid('line_id').notNull(),
    /** The piece that came; null while it is on its way. */
    pieceId: uuid('piece_id'),
    dueOn: date('due_on', { mode: 'string' }),
  },
  (table) => [
    primaryKey({ columns: [table.jobId, table.moduleId, table.unit] }),
    index('units_of_order').on(table.orderId),
  ],
)

export const priceLists = pgTable('price_lists', {
  ...stored,
  supplier: text('supplier').notNull(),
  name: text('name').notNull(),
  mapping: jsonb('mapping').$type<PriceList['mapping']>().notNull(),
  complete: boolean('complete').notNull(),
  /** Its offers in all, and how many of them were taken in by now. */
  offers: integer('offers').notNull().default(0),
  taken: integer('taken').notNull().default(0),
  added: integer('added').notNull().default(0),
  changed: integer('changed').notNull().default(0),
  unchanged: integer('unchanged').notNull().default(0),
  dropped: integer('dropped').notNull().default(0),
  /** When all of it had been taken in; null before, and where that was given up. */
  endedAt: instant('ended_at'),
})

export const plans = pgTable(
  'plans',
  {
    ...stored,
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id),
    name: text('name').notNull(),
    placement: jsonb('placement').$type<Assignment>(),
    profile: boolean('profile').notNull(),
    manual: jsonb('manual').$type<Manual>(),
  },
  (table) => [
    index('plans_job').on(table.jobId),
    index('plans_modules').using('gin', modulesIn(table.placement)),
  ],
)

export const quotes = pgTable(
  'quotes',
  {
    ...stored,
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id),
    number: integer('number').notNull(),
    options: jsonb('options').$type<QuoteOption[]>().notNull(),
    depositPercent: doublePrecision('deposit_percent'),
    validUntil: date('valid_until', { mode: 'string' }),
    note: text('note').notNull(),
    offered: jsonb('offered').$type<OfferedOn>(),
    approval: jsonb('approval').$type<Approval>(),
    ended: jsonb('ended').$type<Ended>(),
    document: jsonb('document').$type<QuoteDocument>(),
  },
  (table) => [unique('quotes_number').on(table.jobId, table.number)],
)

/** One a job, under the job's id. */
export const fits = pgTable('fits', {
  ...stored,
  jobId: uuid('job_id')
    .notNull()
    .unique()
    .references(() => jobs.id),
  static: text('static').$type<Fit['static']>().notNull(),
  hatch: boolean('hatch'),
  battery: text('battery').$type<Fit['battery']>(),
  inTheWay: jsonb('in_the_way').$type<Fit['inTheWay']>().notNull().default([]),
  testFrom: text('test_from').$type<Fit['testFrom']>(),
  ticks: jsonb('ticks').$type<Fit['ticks']>().notNull(),
  note: text('note').notNull(),
  seconds: integer('seconds').notNull(),
  runningSince: instant('running_since'),
  screws: jsonb('screws').$type<ScrewPin[]>().notNull(),
  screwPhotoId: uuid('screw_photo_id'),
  screwsBack: jsonb('screws_back').$type<string[]>().notNull(),
  screwsLeft: jsonb('screws_left').$type<Record<string, number>>(),
  serials: jsonb('serials').$type<Record<string, string>>().notNull(),
  removed: jsonb('removed').$type<Fit['removed']>().notNull(),
  hereWithoutOrder: jsonb('here_without_order').$type<string[]>().notNull().default([]),
  replaced: jsonb('replaced').$type<Fit['replaced']>().notNull().default([]),
  finishedAt: instant('finished_at'),
  fittedAs: jsonb('fitted_as').$type<Assignment>(),
})

/** One a job, under the job's id. */
export const verifications = pgTable('verifications', {
  ...stored,
  jobId: uuid('job_id')
    .notNull()
    .unique()
    .references(() => jobs.id),
  seen: jsonb('seen').$type<Verification['seen']>().notNull(),
  trials: jsonb('trials').$type<Verification['trials']>().notNull(),
  stability: jsonb('stability').$type<Verification['stability']>().notNull(),
  soak: jsonb('soak').$type<Verification['soak']>(),
  errorLogs: jsonb('error_logs')
    .$type<Verification['errorLogs']>()
    .notNull()
    .default(sql`'[]'::jsonb`),
  besides: jsonb('besides').$type<Verification['besides']>(),
  tuning: jsonb('tuning').$type<Verification['tuning']>().notNull().default(sql`'[]'::jsonb`),
  accepted: jsonb('accepted').$type<Verification['accepted']>().notNull().default({}),
  changes: jsonb('changes').$type<Verification['changes']>(),
})

/** How jobs end; under the job's id. */
export const handovers = pgTable('handovers', {
  ...stored,
  jobId: uuid('job_id')
    .notNull()
    .unique()
    .references(() => jobs.id),
  wording: jsonb('wording').$type<Handover['wording']>().notNull(),
  payments: jsonb('payments').$type<Handover['payments']>().notNull(),
  returned: jsonb('returned').$type<string[]>().notNull(),
  setupFound: jsonb('setup_found')
    .$type<Handover['setupFound']>()
    .notNull()
    .default(sql`'{}'::jsonb`),
  reasons: jsonb('reasons').$type<Handover['reasons']>().notNull(),
  signed: jsonb('signed').$type<Handover['signed']>(),
  document: jsonb('document').$type<Handover['document']>(),
  collected: jsonb('collected').$type<Handover['collected']>(),
})

/** Modules fitted in jobs that were found bad later. */
export const claims = pgTable(
  'claims',
  {
    ...stored,
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id),
    moduleId: uuid('module_id').notNull(),
    unit: integer('unit').notNull(),
    what: text('what').notNull(),
    invoice: text('invoice').notNull(),
    reference: text('reference').notNull(),
    state: text('state').$type<WarrantyClaim['state']>().notNull(),
    text: text('text').notNull().default(''),
    slot: text('slot').notNull().default(''),
    serial: text('serial').notNull().default(''),
    against: text('against').notNull().default(''),
    chaseOn: date('chase_on', { mode: 'string' }),
    replacement: text('replacement').notNull().default(''),
  },
  (table) => [
    index('claims_job').on(table.jobId),
    index('claims_open').on(table.firstWrite).where(sql`state in ('noted', 'sent', 'accepted')`),
  ],
)

/** What was written to customers; those that are not through yet are the outbox. */
export const messages = pgTable(
  'messages',
  {
    ...stored,
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id),
    channel: text('channel').$type<Message['channel']>().notNull(),
    to: text('to').notNull(),
    subject: text('subject').notNull(),
    text: text('text').notNull(),
    reason: text('reason').$type<Message['reason']>().notNull(),
    state: text('state').$type<Message['state']>().notNull(),
    by: text('by').notNull(),
    tries: integer('tries').notNull(),
    reference: text('reference').notNull(),
    sentAt: instant('sent_at'),
    endedAt: instant('ended_at'),
    why: text('why').notNull(),
  },
  (table) => [
    index('messages_job').on(table.jobId),
    index('messages_under_way').on(table.firstWrite).where(sql`state in ('queued', 'sent')`),
    index('messages_undelivered').on(table.firstWrite).where(sql`state in ('bounced', 'failed')`),
  ],
)

/** Passwords kept for jobs, encrypted with a key that lies beside the database. */
export const passwords = pgTable('passwords', {
  jobId: uuid('job_id')
    .primaryKey()
    .references(() => jobs.id),
  sealed: bytes('sealed').notNull(),
})

export const measurements = pgTable(
  'measurements',
  {
    ...stored,
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id),
    test: text('test').notNull(),
    unit: text('unit').notNull(),
    better: text('better').$type<Measurement['better']>().notNull(),
    configuration: text('configuration').$type<Measurement['configuration']>().notNull(),
    runs: jsonb('runs').$type<number[]>().notNull(),
    failed: integer('failed').notNull(),
    bandwidth: text('bandwidth').$type<Measurement['bandwidth']>(),
    work: text('work').$type<Measurement['work']>(),
    at: text('at'),
    conditions: jsonb('conditions').$type<Measurement['conditions']>().notNull().default({}),
    busy: boolean('busy').notNull().default(false),
    note: text('note').notNull(),
  },
  (table) => [index('measurements_job').on(table.jobId)],
)

/** Logs of frame times: what was worked out from their rows. */
export const frames = pgTable(
  'frames',
  {
    ...stored,
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id),
    test: text('test').notNull(),
    configuration: text('configuration').$type<FrameLog['configuration']>().notNull(),
    session: integer('session').notNull().default(1),
    at: text('at'),
    conditions: jsonb('conditions').$type<FrameLog['conditions']>().notNull().default({}),
    name: text('name').notNull(),
    figures: jsonb('figures').$type<FrameLog['figures']>().notNull(),
    bins: jsonb('bins').$type<number[]>().notNull(),
    line: jsonb('line').$type<number[]>().notNull(),
  },
  (table) => [index('frames_job').on(table.jobId)],
)

/** Short codes for the probe: each opens one job once, and its token adds measurements till it ends. */
export const probeCodes = pgTable('probe_codes', {
  code: text('code').primaryKey(),
  jobId: uuid('job_id')
    .notNull()
    .references(() => jobs.id),
  until: instant('until').notNull(),
  token: text('token'),
})

export const readings = pgTable(
  'readings',
  {
    ...stored,
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id),
    name: text('name').notNull(),
    by: text('by').notNull(),
    text: text('text'),
    base64: text('base64'),
    seats: jsonb('seats').$type<Record<string, string | null>>().notNull(),
  },
  (table) => [index('readings_job').on(table.jobId)],
)

export const photos = pgTable(
  'photos',
  {
    ...stored,
    jobId: uuid('job_id')
      .notNull()
      .references(() => jobs.id),
    caption: text('caption').notNull(),
    width: integer('width').notNull(),
    height: integer('height').notNull(),
    bytes: integer('bytes').notNull(),
  },
  (table) => [index('photos_job').on(table.jobId)],
)

/** The pictures themselves, apart from what is listed about them. */
export const pictures = pgTable('pictures', {
  photoId: uuid('photo_id')
    .primaryKey()
    .references(() => photos.id, { onDelete: 'cascade' }),
  picture: bytes('picture').notNull(),
})

/** Acts that are through, so that one sent again is known. */
export const acts = pgTable('acts', {
  id: uuid('id').primaryKey(),
  at: moment('at'),
  writes: jsonb('writes').$type<ActDone[]>().notNull(),
})

export const history = pgTable(
  'history',
  {
    id: serial('id').primaryKey(),
    at: moment('at'),
    jobId: uuid('job_id'),
    record: text('record').$type<RecordKind>().notNull(),
    recordId: uuid('record_id').notNull(),
    action: text('action').$type<'created' | 'changed' | 'removed'>().notNull(),
    fields: jsonb('fields').$type<string[]>().notNull(),
    by: text('by').notNull().default(''),
    changes: jsonb('changes').$type<HistoryLine['changes']>(),
  },
  (table) => [index('history_job').on(table.jobId), index('history_record').on(table.recordId)],
)
