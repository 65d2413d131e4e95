import { isFreeFor, type ModuleRecord, type ShopModule } from '@tembrix/core/things/records'
import { useMemo } from 'react'
import { Tray } from '../../../../parts/board'
import { useJob, useJobPart, useOffers } from '../../base/file'

/** Everything a plan can draw on: the customer's own, the shelf, the supplier. */
export function PlanTray() {
  const id = useJobPart(({ file }) => file.id)
  const machines = useJobPart(({ file }) => file.machines)
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
        held: (record: ModuleRecord) => heldBack(record as ShopModule, { id, machines }),
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
    [modules, id, machines, shop, reading, failed],
  )
  return <Tray groups={groups} />
}

/** Why a piece of the shelf cannot be planned with; null where it can. */
function heldBack(piece: ShopModule, job: { id: string; machines: number }): string | null {
  if (isFreeFor(piece, job)) return null
  return piece.keptFor && piece.keptFor.jobId !== job.id
    ? `kept for job ${piece.keptFor.number}`
    : job.machines > 1
      ? 'one piece, and several machines'
      : 'came for what is planned'
}
