import { isModuleCapacity } from '../../things/model'
import { numbered } from '../facts'
import { devices, NO_DEVICE } from './device'
import { isBlank, type PrintForm } from './form'

const HEADING = /^\s*"?Capacity"?\s*$/i
const RULE = /^\s*-+\s*$/
const PAIR = /^\s*Capacity\s*[=:]\s*(\d{9,14})\s*$/i
const FIGURE = /^\s*"?(\d{9,14})"?\s*$/

/** The one property that people ask a console for: capacities in bytes, under a heading or each with its name. */
export const capacitiesAlone: PrintForm = {
  name: 'capacitiesAlone',
  begins: /^\s*"?capacity/i,
  read(lines, at) {
    const isColumn = HEADING.test(lines[at] as string)
    if (!isColumn && !PAIR.test(lines[at] as string)) return null
    const pattern = isColumn ? FIGURE : PAIR
    const found = devices()
    let end = at
    for (let n = isColumn ? at + 1 : at; n < lines.length; n += 1) {
      const line = lines[n] as string
      if (isBlank(line) || (isColumn && n === at + 1 && RULE.test(line))) continue
      const gib = Number(pattern.exec(line)?.[1]) / 2 ** 30
      // Anything else has another capacity: a disk, say.
      if (!isModuleCapacity(gib)) break
      found.take({ ...NO_DEVICE, capacityGiB: gib }, () => ({ line: n + 1 }))
      end = n + 1
    }
    const observations = numbered(found.modules())
    return observations.length === 0
      ? null
      : { format: 'cim-list', observations, problems: found.problems, end }
  },
}
