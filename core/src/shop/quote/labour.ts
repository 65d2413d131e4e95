import { type FittingStep, LABOUR_WORKS, type LabourWork } from '../../bench/fitting'

export interface LabourPart {
  work: LabourWork
  minutes: number
}

/** The minutes of the steps of a fitting, by the part of the labour they belong to. */
export function labourOf(steps: readonly FittingStep[]): LabourPart[] {
  return LABOUR_WORKS.flatMap((work) => {
    const own = steps.filter((step) => step.work === work)
    const minutes = own.reduce((sum, step) => sum + step.minutes, 0)
    return own.length > 0 ? [{ work, minutes }] : []
  })
}

export const minutesOf = (parts: readonly LabourPart[]): number =>
  parts.reduce((sum, { minutes }) => sum + minutes, 0)
