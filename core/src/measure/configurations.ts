/**
 * How a machine was when it was measured: before the change; with only the first or only the second of
 * the two changes it is made of; after it.
 */
export const CONFIGURATIONS = ['before', 'first', 'second', 'after'] as const
export type Configuration = (typeof CONFIGURATIONS)[number]
