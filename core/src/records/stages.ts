/** Where a job stands, in order. */
export const STAGES = [
  'intake',
  'identify',
  'size',
  'plan',
  'quote',
  'fit',
  'verify',
  'handover',
  'closed',
] as const
