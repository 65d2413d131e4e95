const GIB: Readonly<Record<string, number>> = { K: 1 / 1024 ** 2, M: 1 / 1024, G: 1, T: 1024 }

/** A size with the first letter of its unit (K, M, G or T, in any case) in GiB; bytes where there is none. */
export function inGiB(figure: number, unit = ''): number {
  return figure * (GIB[unit.toUpperCase()] ?? 1 / 1024 ** 3)
}
