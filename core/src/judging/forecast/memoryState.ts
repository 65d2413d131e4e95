/** A machine's memory as a forecast sees it: the part of it that is in use. */
export interface MemoryState {
  peakGBs: number
  firstWordNs: number
  usableGiB: number
}
