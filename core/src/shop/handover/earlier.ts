import type { HandoverDocument } from '../../things/records'
import { isOurs, type StoodBy, termsOf } from './claim'

/** A visit of a machine that was signed for: its job, the day, and what was fitted with its warranty. */
export interface EarlierVisit {
  jobId: string
  number: number
  on: string
  fitted: HandoverDocument['fitted']
}

/** Who stands by a part that an earlier visit fitted, and which visit. */
export interface StoodBySince extends StoodBy {
  number: number
}

/** A module as it is in the machine now. */
interface InSlot {
  slot: string
  serial: string
}

/**
 * Who stands by what is in a slot on the day `today` (ISO dates), by the latest visit that fitted it: the one with its
 * serial number, or the one that filled this slot where a serial number is on record of neither. Null where no visit
 * fitted it. `visits` come the newest first.
 */
export function stoodBySince(
  visits: readonly EarlierVisit[],
  { slot, serial }: InSlot,
  today: string,
): StoodBySince | null {
  for (const { number, fitted } of visits) {
    const part = fitted.find((one) =>
      serial !== '' && one.serial !== ''
        ? plain(one.serial) === plain(serial)
        : one.slot === slot && serial === one.serial,
    )
    if (part && isOurs(part)) {
      return { ...termsOf(part, today), number }
    }
  }
  return null
}

/** A serial number without the blanks and dashes it may be spelt with. */
const plain = (serial: string): string => serial.toUpperCase().replace(/[\s-]/g, '')
