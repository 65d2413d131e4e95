/** Shares of the filled channels, 0 to 1, whose modules are organised so. */
export interface Organisation {
  /** Chips of sixteen bits, which have half the bank groups. */
  halfGroups: number
  /** Two ranks or more on the channel. */
  twoRanks: number
}
