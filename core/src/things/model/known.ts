/** A piece of trade knowledge: what is gone by, why, and the month it was last right where it ages. */
export interface Known<T> {
  value: T
  reason: string
  asOf: string | null
}

export const known = <T>(value: T, reason: string, asOf: string | null = null): Known<T> => ({
  value,
  reason,
  asOf,
})
