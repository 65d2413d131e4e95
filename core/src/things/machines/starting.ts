import {
  fasteningOf,
  type Machine,
  type Module,
  type RatingRow,
  type Slot,
  usualSpeed,
} from '../model'

/** A machine record to start from: a layout everybody in the trade knows, to be corrected by what is found. */
export interface StartingMachine {
  id: string
  machine: Machine
}

function slot(id: string, channel: string, position: number, order: number, color: string | null) {
  return { id, channel, position, order, mustFill: false, color } satisfies Slot
}

/** Rating rows from rates by modules a channel (outer, from 1) and ranks (inner, from 1). */
function ratings(...byModules: number[][]): RatingRow[] {
  return byModules.flatMap((byRanks, m) =>
    byRanks.map((dataRate, r) => ({ modulesPerChannel: m + 1, ranks: r + 1, dataRate })),
  )
}

function bank(
  module: Pick<Module, 'article' | 'generation' | 'capacityGiB' | 'deviceWidth'>,
  volts: number,
  dataRate: number,
): Module {
  return {
    ...module,
    formFactor: 'soldered',
    buffering: 'unbuffered',
    ecc: false,
    ranks: 1,
    voltages: [volts],
    speeds: [usualSpeed(module.generation, dataRate)],
    kit: null,
  }
}

const UNBUFFERED = {
  soldered: [],
  interleave: 'flex',
  buffering: ['unbuffered'],
  ecc: 'ignored',
  profiles: false,
  syncCeiling: null,
  desyncPenalty: 0.15,
} satisfies Partial<Machine>

const NO_LIMIT = { dieGbit: null, osGiB: null, firmwareDataRate: null }

const desktop2: Machine = {
  ...UNBUFFERED,
  name: 'Desktop, 2 slots, DDR4',
  kind: 'desktop',
  generation: 'DDR4',
  formFactor: 'DIMM',
  channels: ['A', 'B'],
  slots: [slot('A1', 'A', 1, 1, 'black'), slot('B1', 'B', 1, 2, 'black')],
  voltages: [1.2],
  limits: { ...NO_LIMIT, totalGiB: 64, slotGiB: 32, dataRates: ratings([2666, 2666]) },
}

const desktop4: Machine = {
  ...UNBUFFERED,
  name: 'Desktop, 4 slots, DDR5',
  kind: 'desktop',
  generation: 'DDR5',
  formFactor: 'DIMM',
  channels: ['A', 'B'],
  slots: [
    slot('A1', 'A', 1, 3, 'grey'),
    slot('A2', 'A', 2, 1, 'black'),
    slot('B1', 'B', 1, 4, 'grey'),
    slot('B2', 'B', 2, 2, 'black'),
  ],
  voltages: [1.1],
  profiles: true,
  limits: {
    ...NO_LIMIT,
    totalGiB: 192,
    slotGiB: 48,
    dataRates: ratings([5200, 5200], [3600, 3600]),
  },
}

const laptop2: Machine = {
  ...UNBUFFERED,
  name: 'Laptop, 2 slots, DDR4',
  kind: 'laptop',
  generation: 'DDR4',
  formFactor: 'SODIMM',
  channels: ['A', 'B'],
  slots: [slot('A', 'A', 1, 1, null), slot('B', 'B', 1, 2, null)],
  voltages: [1.2],
  limits: {
    ...NO_LIMIT,
    totalGiB: 64,
    slotGiB: 32,
    dataRates: ratings([3200, 3200]),
  },
}

const laptopSolderedAndSlot: Machine = {
  ...UNBUFFERED,
  name: 'Laptop, 4 GB soldered and 1 slot, DDR4',
  kind: 'laptop',
  generation: 'DDR4',
  formFactor: 'SODIMM',
  channels: ['A', 'B'],
  slots: [slot('SLOT', 'B', 1, 1, null)],
  soldered: [
    {
      channel: 'A',
      module: bank(
        { article: 'soldered 4 GB', generation: 'DDR4', capacityGiB: 4, deviceWidth: 16 },
        1.2,
        3200,
      ),
    },
  ],
  voltages: [1.2],
  limits: { ...NO_LIMIT, totalGiB: 36, slotGiB: 32, dataRates: ratings([3200, 3200]) },
}

const slimSoldered: Machine = {
  ...UNBUFFERED,
  name: 'Slim laptop, all soldered, LPDDR5',
  kind: 'laptop',
  generation: 'LPDDR5',
  formFactor: 'soldered',
  channels: ['A', 'B'],
  slots: [],
  soldered: ['A', 'B'].map((channel) => ({
    channel,
    module: bank(
      { article: 'soldered 8 GB', generation: 'LPDDR5', capacityGiB: 8, deviceWidth: 32 },
      1.05,
      6400,
    ),
  })),
  voltages: [1.05],
  limits: { ...NO_LIMIT, totalGiB: 16, slotGiB: 16, dataRates: ratings([6400]) },
}

const allInOne4: Machine = {
  ...UNBUFFERED,
  name: 'All-in-one, 4 SO-DIMM slots, DDR4',
  kind: 'all-in-one',
  generation: 'DDR4',
  formFactor: 'SODIMM',
  channels: ['A', 'B'],
  slots: [
    slot('A0', 'A', 1, 1, null),
    slot('A1', 'A', 2, 3, null),
    slot('B0', 'B', 1, 2, null),
    slot('B1', 'B', 2, 4, null),
  ],
  voltages: [1.2],
  limits: {
    ...NO_LIMIT,
    totalGiB: 128,
    slotGiB: 32,
    dataRates: ratings([2666, 2666], [2666, 2400]),
  },
}

const workstation8: Machine = {
  ...UNBUFFERED,
  name: 'Workstation, 8 slots, four channels, DDR4',
  kind: 'workstation',
  generation: 'DDR4',
  formFactor: 'DIMM',
  channels: ['A', 'B', 'C', 'D'],
  slots: [
    slot('A1', 'A', 1, 1, 'blue'),
    slot('A2', 'A', 2, 5, 'black'),
    slot('B1', 'B', 1, 3, 'blue'),
    slot('B2', 'B', 2, 7, 'black'),
    slot('C1', 'C', 1, 2, 'blue'),
    slot('C2', 'C', 2, 6, 'black'),
    slot('D1', 'D', 1, 4, 'blue'),
    slot('D2', 'D', 2, 8, 'black'),
  ],
  voltages: [1.2],
  buffering: ['registered', 'load-reduced'],
  ecc: 'required',
  limits: {
    ...NO_LIMIT,
    totalGiB: 512,
    slotGiB: 64,
    dataRates: ratings([2933, 2933], [2666, 2666]),
  },
}

/** Four slots as most boards have them: lettered along, the second slot of each channel first. */
const FOUR_SLOTS = [
  slot('A1', 'A', 1, 3, null),
  slot('A2', 'A', 2, 1, null),
  slot('B1', 'B', 1, 4, null),
  slot('B2', 'B', 2, 2, null),
]
const TWO_SLOTS = [slot('A', 'A', 1, 1, null), slot('B', 'B', 1, 2, null)]

const desktop4Ddr4: Machine = {
  ...desktop2,
  name: 'Desktop with DDR4, 4 slots',
  slots: FOUR_SLOTS,
  profiles: true,
  limits: {
    ...NO_LIMIT,
    totalGiB: 128,
    slotGiB: 32,
    dataRates: ratings([3200, 3200], [3200, 2933]),
  },
}

const desktop4Ddr3: Machine = {
  ...desktop2,
  name: 'Desktop with DDR3, 4 slots',
  generation: 'DDR3',
  slots: FOUR_SLOTS,
  voltages: [1.5],
  limits: {
    ...NO_LIMIT,
    totalGiB: 32,
    slotGiB: 8,
    dieGbit: 4,
    dataRates: ratings([1600, 1600], [1600, 1600]),
  },
}

const desktop4Ddr2: Machine = {
  ...desktop2,
  name: 'Desktop with DDR2, 4 slots',
  generation: 'DDR2',
  slots: FOUR_SLOTS,
  voltages: [1.8],
  limits: {
    ...NO_LIMIT,
    totalGiB: 8,
    slotGiB: 2,
    dieGbit: 1,
    dataRates: ratings([800, 800], [800, 800]),
  },
}

/** Four channels and unbuffered modules, as boards for many cores have them. */
const desktop8Quad: Machine = {
  ...desktop2,
  name: 'Desktop with DDR4, 8 slots, four channels, unbuffered',
  channels: ['A', 'B', 'C', 'D'],
  slots: [...'ABCD'].flatMap((channel, at) => [
    slot(`${channel}1`, channel, 1, at + 1, null),
    slot(`${channel}2`, channel, 2, at + 5, null),
  ]),
  profiles: true,
  limits: {
    ...NO_LIMIT,
    totalGiB: 256,
    slotGiB: 32,
    dataRates: ratings([2933, 2933], [2666, 2666]),
  },
}

/** Of this kind the fabric runs at the memory clock, up to a ceiling above which the controller halves. */
const desktop4Tied: Machine = {
  ...desktop4Ddr4,
  name: 'Desktop with DDR4, 4 slots, fabric at the memory clock',
  syncCeiling: 3600,
  clocks: 'fabric-with-memory',
}
const desktop4Apart: Machine = {
  ...desktop4,
  name: 'Desktop with DDR5, 4 slots, controller at the memory clock',
  // Above it the controller runs at half the memory clock.
  syncCeiling: 6400,
  clocks: 'fabric-apart',
}
const desktop4Half: Machine = {
  ...desktop4,
  name: 'Desktop with DDR5, 4 slots, controller at half the memory clock',
  clocks: 'controller-half',
  limits: { ...desktop4.limits, dataRates: ratings([5600, 5600], [4800, 4400]) },
}

const laptop2Ddr3: Machine = {
  ...laptop2,
  name: 'Laptop with DDR3L, 2 slots',
  generation: 'DDR3',
  slots: TWO_SLOTS,
  voltages: [1.35],
  limits: { ...NO_LIMIT, totalGiB: 16, slotGiB: 8, dieGbit: 4, dataRates: ratings([1600, 1600]) },
}

const laptop2Ddr5: Machine = {
  ...laptop2,
  name: 'Laptop with DDR5, 2 slots',
  generation: 'DDR5',
  slots: TWO_SLOTS,
  voltages: [1.1],
  limits: { ...NO_LIMIT, totalGiB: 96, slotGiB: 48, dataRates: ratings([5600, 5600]) },
}

/** A laptop with one bank soldered on channel A and a slot on B. */
function solderedAndSlot(
  name: string,
  from: Machine,
  bankGiB: number,
  slotGiB: number,
  dataRate: number,
): Machine {
  const [volts] = from.voltages as [number]
  const { generation } = from
  const article = `soldered ${bankGiB} GB`
  const about = { article, generation, capacityGiB: bankGiB, deviceWidth: 16 as const }
  return {
    ...from,
    name,
    slots: [slot('SLOT', 'B', 1, 1, null)],
    soldered: [{ channel: 'A', module: bank(about, volts, dataRate) }],
    limits: { ...from.limits, totalGiB: bankGiB + slotGiB, slotGiB },
  }
}

const laptopSolderedDdr3 = solderedAndSlot(
  'Laptop with DDR3L, 4 GB soldered and 1 slot',
  laptop2Ddr3,
  4,
  8,
  1600,
)
const laptopSolderedDdr5 = solderedAndSlot(
  'Laptop with DDR5, 16 GB soldered and 1 slot',
  laptop2Ddr5,
  16,
  48,
  5600,
)

/** One module over both channels, screwed down: there is nothing beside it. */
const laptopCamm: Machine = {
  ...laptop2Ddr5,
  name: 'Laptop with CAMM2, DDR5, one module',
  formFactor: 'CAMM2',
  slots: [{ ...slot('M1', 'A', 1, 1, null), channels: ['A', 'B'] }],
  limits: { ...NO_LIMIT, totalGiB: 128, slotGiB: 128, dataRates: ratings([5600, 5600]) },
}
const laptopLpcamm: Machine = {
  ...laptopCamm,
  name: 'Laptop with LPCAMM2, LPDDR5X, one module',
  generation: 'LPDDR5X',
  voltages: [1.05],
  limits: { ...NO_LIMIT, totalGiB: 64, slotGiB: 64, dataRates: ratings([7500, 7500]) },
}

/** One slot and one channel: nothing can be paired. */
const laptop1: Machine = {
  ...laptop2,
  name: 'Laptop with DDR4, 1 slot, single channel',
  channels: ['A'],
  slots: [slot('SLOT', 'A', 1, 1, null)],
  limits: { ...NO_LIMIT, totalGiB: 32, slotGiB: 32, dataRates: ratings([3200, 3200]) },
}

const allInOne2: Machine = {
  ...laptop2,
  name: 'All-in-one, 2 SO-DIMM slots, DDR4',
  kind: 'all-in-one',
  slots: TWO_SLOTS,
}

const workstationEcc: Machine = {
  ...desktop4,
  name: 'Workstation with DDR5, 4 slots, ECC unbuffered',
  kind: 'workstation',
  ecc: 'supported',
  profiles: false,
  limits: { ...desktop4.limits, dataRates: ratings([5200, 5200], [4800, 3600]) },
}

const workstationEccDdr4: Machine = {
  ...desktop4Ddr4,
  name: 'Workstation with DDR4, 4 slots, ECC unbuffered',
  kind: 'workstation',
  ecc: 'supported',
  profiles: false,
  limits: { ...desktop4Ddr4.limits, dataRates: ratings([2666, 2666], [2666, 2666]) },
}

/** Registered DDR5 has another notch and supply than unbuffered. Which slot comes first differs by board. */
const workstationRegistered: Machine = {
  ...workstation8,
  name: 'Workstation with DDR5 registered, 8 slots, eight channels',
  generation: 'DDR5',
  channels: [...'ABCDEFGH'],
  slots: [...'ABCDEFGH'].map((channel) => ({
    ...slot(`${channel}1`, channel, 1, 1, null),
    order: null,
  })),
  voltages: [1.1],
  buffering: ['registered'],
  limits: { ...NO_LIMIT, totalGiB: 2048, slotGiB: 256, dataRates: ratings([4800, 4800]) },
}

const smallDdr4: Machine = {
  ...laptop2,
  name: 'Small desktop with DDR4, 2 SO-DIMM slots',
  kind: 'small-form-factor',
  slots: TWO_SLOTS,
  limits: { ...NO_LIMIT, totalGiB: 64, slotGiB: 32, dataRates: ratings([3200, 3200]) },
}
const smallDdr3: Machine = {
  ...laptop2Ddr3,
  name: 'Small desktop with DDR3L, 2 SO-DIMM slots',
  kind: 'small-form-factor',
}
const allInOne4Ddr3: Machine = {
  ...allInOne4,
  name: 'All-in-one, 4 SO-DIMM slots, DDR3',
  generation: 'DDR3',
  voltages: [1.5, 1.35],
  limits: {
    ...NO_LIMIT,
    totalGiB: 32,
    slotGiB: 8,
    dieGbit: 4,
    dataRates: ratings([1600, 1600], [1333, 1333]),
  },
}
const smallDdr5: Machine = {
  ...laptop2Ddr5,
  name: 'Small desktop with DDR5, 2 SO-DIMM slots',
  kind: 'small-form-factor',
}

const KINDS: readonly StartingMachine[] = [
  { id: 'laptop-2', machine: laptop2 },
  { id: 'laptop-soldered-1', machine: laptopSolderedAndSlot },
  { id: 'laptop-soldered', machine: slimSoldered },
  { id: 'desktop-2', machine: desktop2 },
  { id: 'desktop-4', machine: desktop4 },
  { id: 'desktop-4-ddr4', machine: desktop4Ddr4 },
  { id: 'desktop-4-ddr4-tied', machine: desktop4Tied },
  { id: 'desktop-4-apart', machine: desktop4Apart },
  { id: 'desktop-4-half', machine: desktop4Half },
  { id: 'desktop-4-ddr3', machine: desktop4Ddr3 },
  { id: 'desktop-4-ddr2', machine: desktop4Ddr2 },
  { id: 'desktop-8-quad', machine: desktop8Quad },
  { id: 'laptop-1', machine: laptop1 },
  { id: 'laptop-2-ddr3', machine: laptop2Ddr3 },
  { id: 'laptop-2-ddr5', machine: laptop2Ddr5 },
  { id: 'laptop-soldered-1-ddr3', machine: laptopSolderedDdr3 },
  { id: 'laptop-soldered-1-ddr5', machine: laptopSolderedDdr5 },
  { id: 'laptop-camm2', machine: laptopCamm },
  { id: 'laptop-lpcamm2', machine: laptopLpcamm },
  { id: 'small-2-ddr3', machine: smallDdr3 },
  { id: 'small-2-ddr4', machine: smallDdr4 },
  { id: 'small-2-ddr5', machine: smallDdr5 },
  { id: 'all-in-one-4', machine: allInOne4 },
  { id: 'all-in-one-4-ddr3', machine: allInOne4Ddr3 },
  { id: 'all-in-one-2', machine: allInOne2 },
  { id: 'workstation-8', machine: workstation8 },
  { id: 'workstation-4-ddr4', machine: workstationEccDdr4 },
  { id: 'workstation-4-ddr5', machine: workstationEcc },
  { id: 'workstation-8-ddr5', machine: workstationRegistered },
]

/** Every usual kind, each with what its form factor says of how modules are held. */
export const STARTING_MACHINES: readonly StartingMachine[] = KINDS.map(({ id, machine }) => ({
  id,
  machine: machine.slots.length > 0 ? { ...machine, fastening: fasteningOf(machine) } : machine,
}))

/** The machine to start from that takes such modules; the first where none does. */
export function usualMachineFor({
  generation,
  formFactor,
}: Partial<Pick<Module, 'generation' | 'formFactor'>>): Machine {
  const fits = STARTING_MACHINES.find(
    ({ machine }) =>
      machine.generation === generation &&
      machine.slots.length > 0 &&
      (!formFactor || machine.formFactor === formFactor),
  )
  return (fits ?? (STARTING_MACHINES[0] as StartingMachine)).machine
}
