import type { Machine, Module } from '../../things/model'

/** Why a machine's firmware is brought up to date before these modules go in. */
export const FIRMWARE_REASONS = ['SIZE', 'LARGE_DDR4', 'CLOCKED', 'MANY'] as const
export type FirmwareReason = (typeof FIRMWARE_REASONS)[number]

/** Sizes of module that came after many boards did, GiB. */
const LATE_SIZES = new Set([24, 48, 64])
const MANY = 4
/** DDR4 of this size (16 Gbit dies) came after many boards did. */
const LARGE_DDR4_GIB = 32

/**
 * Whether firmware older than the modules may not start or train them: sizes that came late, clocked
 * modules, or four and more DDR5 modules. `added` are those that are new to the machine, `all` what
 * sits in its slots afterwards.
 */
export function firmwareFirst(
  { generation }: Pick<Machine, 'generation'>,
  added: readonly Module[],
  all: readonly Module[],
): FirmwareReason[] {
  if (added.length === 0) return []
  const plain = added.filter(
    ({ buffering }) => buffering === 'unbuffered' || buffering === 'clocked',
  )
  const applies: Record<FirmwareReason, boolean> = {
    SIZE: plain.some(({ capacityGiB }) => LATE_SIZES.has(capacityGiB)),
    LARGE_DDR4:
      generation === 'DDR4' && plain.some(({ capacityGiB }) => capacityGiB >= LARGE_DDR4_GIB),
    CLOCKED: added.some(({ buffering }) => buffering === 'clocked'),
    MANY: generation === 'DDR5' && all.length >= MANY,
  }
  return FIRMWARE_REASONS.filter((reason) => applies[reason])
}
