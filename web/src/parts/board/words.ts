import { topRate } from '@tembrix/core/judging/evaluate'
import { type Module, soldAs } from '@tembrix/core/things/model'
import { CHOICES } from '../../base/format'

export const rateOf = (module: Module) => topRate(module, 'standard')
export const profileRateOf = (module: Module) => topRate(module, 'profile')

/** Ranks by device width, as labels print it. */
/** Ranks and device width; with a question mark where they are only assumed. */
export const organisation = ({ ranks, deviceWidth, assumed }: Module) =>
  `${ranks}R×${deviceWidth}${assumed && assumed.length > 0 ? '?' : ''}`

export const formOf = ({ formFactor }: Pick<Module, 'formFactor'>) => CHOICES.formFactor[formFactor]

/** A module in a line, by what it is sold as, and its form factor. */
export function describeModule(module: Module): string {
  return `${soldAs(module)} ${formOf(module)}`
}
