import type { JobFile } from '../../things/records'

/** A job with the plan on the board before its others; that is the one it names, whatever clocks said. */
export function boardFirst<File extends Pick<JobFile, 'planId' | 'plans'>>(file: File): File {
  const at = file.plans.findIndex(({ id }) => id === file.planId)
  if (at <= 0) return file
  const board = file.plans.slice(at, at + 1)
  return { ...file, plans: [...board, ...file.plans.filter((_, other) => other !== at)] }
}
