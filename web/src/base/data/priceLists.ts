import {
  type NewPriceList,
  type Offered,
  PRICE_LIST_PIECE,
  type PriceList,
} from '@tembrix/core/things/records'
import { api, priceListsApi } from './api'
import type { Store } from './store'

export interface PriceListProgress {
  /** How many of the offers were taken in by now. */
  progress: (taken: number) => void
  signal: AbortSignal
}

/**
 * Takes a price list in, piece by piece. Given up between two pieces when `signal` aborts, it is answered as
 * it stands then; begun again under its id, it goes on where it stopped.
 * @throws what the server answers where it takes no more.
 */
export async function takeInPriceList(
  dispatch: Store['dispatch'],
  list: Omit<NewPriceList, 'offers'> & { id: string },
  offers: readonly Offered[],
  { progress, signal }: PriceListProgress,
): Promise<PriceList> {
  const { beginPriceList, takeInPiece, endPriceList } = priceListsApi.endpoints
  const begin = beginPriceList.initiate({ ...list, offers: offers.length })
  try {
    let now = await dispatch(begin).unwrap()
    while (now.taken < offers.length && !signal.aborted) {
      progress(now.taken)
      const at = now.taken
      const piece = { id: list.id, at, offers: offers.slice(at, at + PRICE_LIST_PIECE) }
      now = await dispatch(takeInPiece.initiate(piece)).unwrap()
    }
    return signal.aborted ? now : await dispatch(endPriceList.initiate(list.id)).unwrap()
  } finally {
    dispatch(api.util.invalidateTags(['priceLists', 'shopModules']))
  }
}
