import { useMemo } from 'react'
import { Tray } from '../../board'
import { useJob } from '../file'

/** Everything a plan can draw on: the customer's own, the shelf, the supplier. */
export function PlanTray() {
  const { file, shop } = useJob()
  const groups = useMemo(
    () => [
      {
        title: 'The customer’s',
        records: file.modules,
        none: 'None recorded in Identify.',
        showAll: true,
      },
      {
        title: 'Our shelf',
        records: shop.filter(({ source }) => source === 'shelf'),
        none: 'Nothing that fits.',
      },
      {
        title: 'The supplier’s',
        records: shop.filter(({ source }) => source === 'supplier'),
        none: 'Nothing that fits.',
      },
    ],
    [file.modules, shop],
  )
  return <Tray groups={groups} />
}
