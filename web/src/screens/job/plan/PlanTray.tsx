import { isFreeFor, type ModuleRecord, type ShopModule } from '@tembrix/core/records'
import { useMemo } from 'react'
import { Tray } from '../../../parts/board'
import { useJob, useJobPart, useOffers } from '../file'

/** Everything a plan can draw on: the customer's own, the shelf, the supplier. */
export function PlanTray() {
  const jobId = useJobPart(({ file }) => file.id)
  const modules = useJobPart(({ file }) => file.modules)
  const { shop } = useJob()
  const { reading, failed } = useOffers()
  const groups = useMemo(
    () => [
      {
        title: 'The customer’s',
        records: modules,
        none: 'None recorded in Identify.',
        showAll: true,
      },
      {
        title: 'Our shelf',
        records: shop.filter(({ source }) => source === 'shelf'),
        none: 'Nothing that fits.',
        held: (record: ModuleRecord) => keptFor(record as ShopModule, jobId),
      },
      {
        title: 'The supplier’s',
        records: shop.filter(({ source }) => source === 'supplier'),
        none: reading
          ? 'Reading the offers…'
          : failed
            ? 'The offers cannot be read now.'
            : 'Nothing that fits.',
        collapse: true,
      },
    ],
    [modules, jobId, shop, reading, failed],
  )
  return <Tray groups={groups} />
}

function keptFor(piece: ShopModule, jobId: string): string | null {
  return isFreeFor(piece, jobId) ? null : `kept for job ${piece.keptFor?.number}`
}
