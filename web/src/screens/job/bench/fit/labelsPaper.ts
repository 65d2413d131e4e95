import { slotHolding, type Terms } from '@tembrix/core/things/records'
import { CHOICES, day, today } from '../../../../base/format'
import { describeModule, organisation } from '../../../../parts/board'
import { code, type Label, type Paper, strong } from '../../../../parts/papers'
import type { JobView } from '../../base/file'
import type { Fitting } from './useFit'

/**
 * The labels of a job: its ticket for the customer, one for the machine, a bag for each removed module, a label for each that goes to the shelf.
 * `address` is what their codes open.
 */
export function labelsPaper(
  view: JobView,
  { fit, removed }: Fitting,
  { shopName, label }: Pick<Terms, 'shopName' | 'label'>,
  address: string,
): Paper {
  const { file, machine, pieces, now } = view
  const { number, customer, dueOn, accessories, condition } = file
  const ticket: Label = {
    kind: 'Job ticket',
    title: `Job ${number}`,
    code: address,
    lines: [
      [strong(customer.name), customer.phone && ` · ${customer.phone}`],
      machine.name,
      ...(file.machine.serialNumber ? [[code(file.machine.serialNumber)]] : []),
      ...(dueOn ? [`Due ${day(dueOn)}`] : []),
      ...(accessories.length > 0 ? [`With it: ${accessories.join(', ')}`] : []),
      ...(condition ? [condition] : []),
      ...(shopName ? [shopName] : []),
    ],
  }
  const onMachine: Label = {
    kind: 'Machine label',
    title: `Job ${number}`,
    code: address,
    lines: [
      [strong(customer.name)],
      machine.name,
      ...(dueOn ? [`Due ${day(dueOn)}`] : []),
      ...(accessories.length > 0 ? [`With it: ${accessories.join(', ')}`] : []),
    ],
  }
  const bags = removed.flatMap((id): Label[] => {
    const module = pieces.get(id)?.module
    if (!module) return []
    const serial = fit.serials[`${id} 0`]
    const goes = fit.removed[id]?.to
    const slot = slotHolding(now.assignment, { moduleId: id, unit: 0 })
    return [
      {
        kind: goes === 'shelf' ? 'Module label' : 'Bag label',
        title: `Out of job ${number}`,
        code: address,
        lines: [
          [strong(describeModule(module)), ` ${organisation(module)}`],
          module.article,
          `${customer.name}${slot ? ` · slot ${slot}` : ''} · ${day(today())}`,
          ...(serial ? [[code(serial)]] : []),
          ...(goes ? [CHOICES.to[goes]] : []),
        ],
      },
    ]
  })
  return {
    title: 'Labels',
    file: `Job ${number} labels`,
    from: null,
    about: [],
    beside: [],
    blocks: [{ is: 'labels', labels: [ticket, onMachine, ...bags] }],
    label,
  }
}
