import { type Recorded, withLettering, withSlotCount } from '../../things/machines'
import { type Generation, type Machine, STANDARD_STEPS, USUAL_VOLTAGE } from '../../things/model'
import type { Origin, Ruling, Sourced } from '../../things/records'
import type { Evidence } from './case'
import { complete } from './moduleBelieved'

const SOURCED: Record<string, Sourced> = {
  'machine.slotCount': 'slots',
  'machine.solderedGiB': 'soldered',
  'machine.maximumGiB': 'totalGiB',
  'machine.generation': 'generation',
  'machine.formFactor': 'formFactor',
}

type Known = Pick<Evidence, 'slots' | 'soldered' | 'lettering'>

/** Whether a ruling on this changes the machine's record. */
export function isOfMachine(key: string): boolean {
  return key in SOURCED
}

/**
 * The machine's record once a ruling on it holds: so many slots, this maximum, generation or form, or
 * the soldered memory that was read. Rulings on anything else leave it as it is.
 */
export function settled(
  { machine, sources }: Recorded,
  key: string,
  ruling: Ruling,
  evidence: Known,
): Recorded {
  const what = SOURCED[key]
  if (!what) return { machine, sources }
  const { source, by, at } = ruling
  const origin: Origin = { source, by, at, note: '' }
  return {
    machine: changed(machine, what, ruling.value, evidence),
    sources: { ...sources, [what]: origin },
  }
}

function changed(
  machine: Machine,
  what: Sourced,
  value: Ruling['value'],
  { slots, soldered, lettering }: Known,
): Machine {
  switch (what) {
    case 'slots':
      return withSlots(machine, Number(value), slots, lettering)
    case 'totalGiB':
      return { ...machine, limits: { ...machine.limits, totalGiB: Number(value) } }
    case 'generation':
      return inGeneration(machine, value as Generation)
    case 'formFactor':
      return { ...machine, formFactor: value as Machine['formFactor'] }
    case 'soldered':
      return { ...machine, soldered: banksOf(machine, Number(value), soldered) }
    default:
      return machine
  }
}

/** As many slots as were counted; lettered as a report has them, where nothing is in any yet. */
function withSlots(
  machine: Machine,
  count: number,
  slots: Known['slots'],
  lettering: readonly string[],
): Machine {
  const lettered =
    slots.length === 0 && lettering.length === count ? withLettering(machine, lettering) : null
  return lettered ?? withSlotCount(machine, count, new Set(slots.map(({ slot }) => slot)))
}

/** Another generation brings its voltage, and its rates until they are known. */
function inGeneration(machine: Machine, generation: Generation): Machine {
  const steps = STANDARD_STEPS[generation]
  const dataRate = steps.find((step) => step >= usualTop(generation)) ?? (steps.at(-1) as number)
  return {
    ...machine,
    generation,
    voltages: [USUAL_VOLTAGE[generation]],
    limits: {
      ...machine.limits,
      firmwareDataRate: null,
      dataRates: [{ modulesPerChannel: 1, ranks: 1, dataRate }],
    },
  }
}

const usualTop = (generation: Generation) =>
  ({ DDR3: 1600, DDR4: 3200, DDR5: 5600 })[generation as string] ?? Number.POSITIVE_INFINITY

/** The banks as they were read, over the channels in turn; as recorded where the record is what holds. */
function banksOf(machine: Machine, total: number, read: Evidence['soldered']): Machine['soldered'] {
  const recorded = machine.soldered.reduce((sum, { module }) => sum + module.capacityGiB, 0)
  if (recorded === total) return machine.soldered
  return read.flatMap(({ said }, at) => {
    const completed = complete({ ...said, formFactor: 'soldered' }, { machine, inMachine: true })
    const named = machine.channels.find((channel) => channel === said.slot?.channel)
    const channel = named ?? machine.channels[at % machine.channels.length]
    return completed && channel ? [{ channel, module: completed.module }] : []
  })
}
