import type { Organisation } from '../../things/model'

/** A machine's memory as a forecast sees it: the part of it that is in use. */
export interface MemoryState {
  peakGBs: number
  /** Left out where it is not known, or of no matter. */
  organisation?: Organisation | undefined
  firstWordNs: number
  usableGiB: number
}
