import type { Sourced } from '../../things/records'
import {
  MACHINE,
  type MachineFigures,
  modulesRead,
  type Observation,
  saidOfSubject,
} from '../facts'
import { isSoldered, mayBeSoldered } from '../inputs'
import type { EvidenceCase, Input } from './case'

/**
 * Observations of the machine: of its record, of what inputs say of it, and of the modules that are in it, whose
 * generation and form are the machine's.
 */
export function ofMachine(given: EvidenceCase, fitted: readonly Observation[]): Observation[] {
  const ofModules = fitted.filter(({ what }) => what === 'generation' || what === 'formFactor')
  return [
    ...recorded(given),
    ...given.inputs.flatMap(said),
    ...ofModules.map((one) => ({ ...one, subject: MACHINE })),
  ]
}

function recorded({ machine, sources }: EvidenceCase): Observation[] {
  const soldered = machine.soldered.reduce((sum, { module }) => sum + module.capacityGiB, 0)
  const observed = (
    what: Observation['what'],
    sourced: Sourced,
    value: Observation['value'],
  ): Observation => {
    const source = sources[sourced]?.source ?? 'start'
    return { subject: MACHINE, what, value, source, where: null, input: null }
  }
  return [
    observed('slotCount', 'slots', machine.slots.length),
    observed('solderedGiB', 'soldered', soldered),
    observed('maximumGiB', 'totalGiB', machine.limits.totalGiB),
    observed('generation', 'generation', machine.generation),
    observed('formFactor', 'formFactor', machine.formFactor),
  ]
}

const AS_SAID: readonly Observation['what'][] = [
  'maximumGiB',
  'generation',
  'formFactor',
  'channelCount',
  'fastestRate',
]

/** Observations of the machine in an input, its slots counted without soldered memory. */
function said({ id, reading }: Input): Observation[] {
  const own = reading.observations.filter(({ subject }) => subject === MACHINE)
  const modules = modulesRead(reading.observations)
  const banks = modules.filter(isSoldered)
  const mostListed = saidOfSubject(reading.observations, MACHINE).slots?.length ?? 0
  const observed = (
    what: keyof MachineFigures,
    value: number,
    from?: Observation,
  ): Observation => ({
    subject: MACHINE,
    what,
    value,
    source: from?.source ?? 'readout',
    where: from?.where ?? null,
    input: id,
  })
  const claimed = own.flatMap((one) => {
    if (one.what !== 'slotCount') return []
    // A report counts what is soldered as a slot; a page does not.
    const soldered = one.source === 'page' ? 0 : banks.length
    return observed('slotCount', Math.max(0, (one.value as number) - soldered), one)
  })
  const isOtherList =
    mostListed > 0 && claimed.length > 0 && claimed.every(({ value }) => value !== mostListed)
  // A table lists what is soldered as well, so one without any says that there is nothing.
  const isOpen =
    banks.length === 0
      ? modules.some(mayBeSoldered) || mostListed === 0
      : banks.some((bank) => bank.said.capacityGiB === undefined)
  const soldered = banks.reduce((sum, bank) => sum + (bank.said.capacityGiB ?? 0), 0)
  return [
    ...claimed,
    ...(isOtherList ? [observed('slotCount', mostListed)] : []),
    ...(isOpen ? [] : [observed('solderedGiB', soldered, banks[0]?.observations[0])]),
    ...own.filter(({ what }) => AS_SAID.includes(what)).map((one) => ({ ...one, input: id })),
  ]
}
