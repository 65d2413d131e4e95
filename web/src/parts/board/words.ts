import { topRate } from '@tembrix/core/evaluate'
import { type Module, soldAs } from '@tembrix/core/model'

export const rateOf = (module: Module) => topRate(module, 'standard')
export const profileRateOf = (module: Module) => topRate(module, 'profile')

/** Ranks by device width, as labels print it. */
export const organisation = ({ ranks, deviceWidth }: Module) => `${ranks}R×${deviceWidth}`

const FORMS: Record<Module['formFactor'], string> = {
  DIMM: 'DIMM',
  SODIMM: 'SO-DIMM',
  CAMM2: 'CAMM2',
  soldered: 'soldered',
}
export const formOf = ({ formFactor }: Pick<Module, 'formFactor'>) => FORMS[formFactor]

/** A module in a line, by what it is sold as, and its form factor. */
export function describeModule(module: Module): string {
  return `${soldAs(module)} ${formOf(module)}`
}
