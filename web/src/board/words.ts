import { topRate } from '@tembrix/core/evaluate'
import type { Module } from '@tembrix/core/model'
import { capacity } from '../ui'

export const rateOf = (module: Module) => topRate(module, 'standard')
export const profileRateOf = (module: Module) => topRate(module, 'profile')

/** Ranks by device width, as labels print it. */
export const organisation = ({ ranks, deviceWidth }: Module) => `${ranks}R×${deviceWidth}`

const FORMS: Record<Module['formFactor'], string> = {
  DIMM: 'full-size',
  SODIMM: 'small-outline',
  CAMM2: 'compression-attached',
  soldered: 'soldered',
}
export const formOf = ({ formFactor }: Pick<Module, 'formFactor'>) => FORMS[formFactor]

/** A module in a line: capacity, generation, rate, form. */
export function describeModule(module: Module): string {
  return `${capacity(module.capacityGiB)} ${module.generation}-${rateOf(module)} ${formOf(module)}`
}
