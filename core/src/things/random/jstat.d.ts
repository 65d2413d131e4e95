/** The part of the statistics library that is used. */
declare module 'jstat' {
  const jStat: {
    studentt: { inv: (p: number, df: number) => number; cdf: (x: number, df: number) => number }
    normal: {
      cdf: (x: number, mean: number, sd: number) => number
      inv: (share: number, mean: number, sd: number) => number
    }
    binomial: { cdf: (k: number, tried: number, chance: number) => number }
    hypgeom: { pdf: (k: number, total: number, marked: number, drawn: number) => number }
  }
  export default jStat
}
