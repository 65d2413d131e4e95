import type { Action } from '@tembrix/core/bench/diagnose'
import {
  type Battery,
  type Bound,
  BUFFERINGS,
  type Disk,
  type Fastening,
  type FormFactor,
  type GameAnswers,
  GENERATIONS,
  type Inside,
  type InTheWay,
  LEVELS,
  type Machine,
  type PlatformClocks,
  type Policy,
  type RankChoice,
  type SlowThing,
  type TestFrom,
  type Tried,
} from '@tembrix/core/things/model'
import type {
  BackupConsent,
  ClaimState,
  Destination,
  Ended,
  Login,
  MessageState,
  Payment,
  ScrewHead,
  Tick,
  TrialMade,
  WithoutWork,
} from '@tembrix/core/things/records'

const same = <Value extends string>(values: readonly Value[]): Record<Value, string> =>
  Object.assign({}, ...values.map((value) => ({ [value]: value })))

/** What is chosen among a few, by the field it is stored in: each choice as it is read. */
export const CHOICES = {
  action: {
    'clear-setup': 'the setup back to its defaults',
    wait: 'the start given all the time training takes',
    clean: 'every contact cleaned',
    connect: 'every other connector pressed home',
  } satisfies Record<Action, string>,
  as: { declined: 'declined', withdrawn: 'withdrawn' } satisfies Record<Ended['as'], string>,
  backup: {
    made: 'the customer has made one',
    shop: 'we make one',
    declined: 'the customer wants none',
  } satisfies Record<BackupConsent, string>,
  battery: {
    plug: 'a plug under the cover',
    pack: 'a pack that is taken out',
    setup: 'disabled in the setup: its plug is out of reach',
    none: 'no battery in it',
  } satisfies Record<Battery, string>,
  bound: {
    card: 'the graphics card',
    processor: 'the processor and memory',
  } satisfies Record<Bound, string>,
  buffering: same(BUFFERINGS),
  clocks: {
    'fabric-with-memory': 'controller and fabric at the memory clock',
    'fabric-apart': 'controller at the memory clock, fabric on its own',
    'controller-half': 'controller always at half the memory clock',
  } satisfies Record<PlatformClocks, string>,
  depth: { start: 'a start', test: 'a memory test' } satisfies Record<TrialMade['depth'], string>,
  disk: {
    unknown: 'unknown',
    spinning: 'spinning',
    'solid-state': 'solid-state',
  } satisfies Record<Disk, string>,
  diskSlot: {
    free: 'there is a free one',
    used: 'there is one, in use',
    none: 'there is none',
  } satisfies Record<Inside['diskSlot'] & string, string>,
  dust: { little: 'little', much: 'much: clean it' } satisfies Record<
    Inside['dust'] & string,
    string
  >,
  ecc: {
    required: 'required',
    supported: 'works, not required',
    ignored: 'starts, not used',
    refused: 'does not start with it',
  } satisfies Record<Machine['ecc'], string>,
  fastening: {
    latches: 'latches, at one end or both',
    'latch-one-end': 'a latch at one end',
    'side-clips': 'clips at the sides',
    screws: 'screws',
  } satisfies Record<Fastening, string>,
  formFactor: {
    DIMM: 'DIMM',
    SODIMM: 'SO-DIMM',
    CAMM2: 'CAMM2',
    soldered: 'soldered',
  } satisfies Record<FormFactor, string>,
  generation: same(GENERATIONS),
  head: {
    cross: 'cross',
    slotted: 'slotted',
    'six-point': 'six-point star',
    'five-point': 'five-point star',
    hexagon: 'hexagon',
  } satisfies Record<ScrewHead, string>,
  inTheWay: {
    card: 'an expansion card',
    cooler: 'the processor’s cooler',
  } satisfies Record<InTheWay, string>,
  interleave: {
    flex: 'as far as the channels are equal',
    matched: 'only when all channels are equal',
    unknown: 'not known: calculated as only when equal',
  } satisfies Record<Machine['interleave'], string>,
  kind: {
    desktop: 'desktop',
    laptop: 'laptop',
    'all-in-one': 'all-in-one',
    'small-form-factor': 'small desktop',
    workstation: 'workstation',
    // Games.
    strategy: 'strategy, simulation, building',
    fast: 'fast and competitive',
    detailed: 'large, detailed worlds',
    // What came of a trial.
    NO_START: 'does not start',
    MISSING: 'starts, not all is seen',
    ERRORS: 'errors under test',
    PASS: 'passed',
  } satisfies Record<
    Machine['kind'] | (GameAnswers['kind'] & string) | TrialMade['outcome']['kind'],
    string
  >,
  level: same(LEVELS),
  login: {
    none: 'asks for no password',
    customer: 'the customer types it when it is needed',
    kept: 'a password is kept for this job',
  } satisfies Record<Login, string>,
  method: {
    cash: 'cash',
    card: 'card',
    transfer: 'bank transfer',
  } satisfies Record<Payment['method'], string>,
  outcome: {
    'no-start': 'does not start',
    errors: 'errors',
    passed: 'passed',
  } satisfies Record<Tried['outcome'], string>,
  policy: {
    matched: 'Matched kit',
    balanced: 'Balanced',
    capacity: 'Capacity first',
  } satisfies Record<Policy, string>,
  withoutWork: {
    declined: 'the customer declined the quote',
    cancelled: 'the customer cancelled',
    'price-only': 'a price was all that was asked for',
    'not-worth-it': 'it is not worth it',
    'not-collected': 'nobody came for it',
  } satisfies Record<WithoutWork['as'], string>,
  ranks: {
    any: 'whichever costs less',
    two: 'two on every channel',
    one: 'one on every channel',
    'by-rate': 'two at standard speeds, one above the rating',
  } satisfies Record<RankChoice, string>,
  resolution: {
    '1080p': '1080p (1920 × 1080)',
    '1440p': '1440p (2560 × 1440)',
    '2160p': '4K (3840 × 2160)',
  } satisfies Record<GameAnswers['resolution'] & string, string>,
  settings: {
    low: 'low',
    middle: 'middle',
    full: 'full',
  } satisfies Record<GameAnswers['settings'] & string, string>,
  slow: {
    starting: 'starting up',
    opening: 'opening programs and files',
    switching: 'switching between programs',
    crashing: 'programs crash or are closed',
    'long-work': 'long work: exports, renders',
    'after-a-while': 'everything, after a while',
    pictures: 'moving pictures, games',
  } satisfies Record<SlowThing, string>,
  state: {
    done: 'done',
    skipped: 'left out',
    noted: 'noted',
    accepted: 'accepted',
    refused: 'refused',
    replaced: 'replaced',
    credited: 'money back',
    queued: 'waiting',
    sent: 'sent',
    delivered: 'delivered',
    bounced: 'came back',
    failed: 'failed',
    reached: 'reached otherwise',
  } satisfies Record<Tick['state'] | ClaimState | MessageState, string>,
  testFrom: {
    medium: 'the shop’s own medium',
    setup: 'the setup’s own test',
    drive: 'a drive of the shop’s, the customer’s unplugged',
    system: 'the customer’s system, once they agreed',
  } satisfies Record<TestFrom, string>,
  to: {
    customer: 'back to the customer',
    shelf: 'to our shelf, used and untested',
    recycling: 'to recycling',
  } satisfies Record<Destination, string>,
}

/** A value as it is chosen, by the field it is stored in; undefined of what is not chosen among a few. */
export function choiceWords(field: string, value: string): string | undefined {
  const choices: Record<string, string> = CHOICES[field as keyof typeof CHOICES] ?? {}
  return Object.hasOwn(choices, value) ? choices[value] : undefined
}
