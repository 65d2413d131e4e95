import { seesCosts } from '@tembrix/core/things/records'
import { useShopQuery } from '../../base/data'
import { useTechnician } from '../../base/shell'

/** Whether whoever works at this screen is shown what parts cost the shop. */
export function useSeesCosts(): boolean {
  const { data: shop } = useShopQuery()
  const [technician] = useTechnician()
  return shop !== undefined && seesCosts(shop.people, technician)
}
