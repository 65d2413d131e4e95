/// <reference path="../../things/random/jstat.d.ts" />
import jStat from 'jstat'

/** The value that Student’s t stays below with this chance. */
export const studentQuantile = (chance: number, freedom: number): number =>
  jStat.studentt.inv(chance, freedom)

/** Share of a standard normal variable below a value. */
export const normalShare = (value: number): number => jStat.normal.cdf(value, 0, 1)

/** Chance that just so many of `drawn` are among the `marked` of `total` (hypergeometric). */
export const drawnChance = (many: number, total: number, marked: number, drawn: number): number =>
  jStat.hypgeom.pdf(many, total, marked, drawn)
