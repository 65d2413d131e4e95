export const BANDWIDTHS = ['read', 'copy', 'write'] as const
export type Bandwidth = (typeof BANDWIDTHS)[number]
