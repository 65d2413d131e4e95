/// <reference path="../../things/random/jstat.d.ts" />
import jStat from 'jstat'

/** The value that Student’s t stays below with this chance. */
export const studentQuantile = (chance: number, freedom: number): number =>
  jStat.studentt.inv(chance, freedom)

/** The value that a standard normal variable stays below with this chance. */
export const normalQuantile = (chance: number): number => jStat.normal.inv(chance, 0, 1)

/** Chance of so many or more of `tried`, each with its own `chance` (binomial). */
export const atLeastChance = (many: number, tried: number, chance: number): number =>
  many === 0 ? 1 : 1 - jStat.binomial.cdf(many - 1, tried, chance)

/** Share of a standard normal variable below a value. */
export const normalShare = (value: number): number => jStat.normal.cdf(value, 0, 1)

/** Chance that just so many of `drawn` are among the `marked` of `total` (hypergeometric). */
export const drawnChance = (many: number, total: number, marked: number, drawn: number): number =>
  jStat.hypgeom.pdf(many, total, marked, drawn)
