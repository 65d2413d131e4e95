import { KIND_INFO } from './kindInfo'

/** A module of which nothing but itself is known. */
export const UNKNOWN_PIECE = KIND_INFO.modules.blank

/** A fitting nobody has begun. */
export const UNFITTED = KIND_INFO.fits.blank

/** A machine nobody has looked at since it was fitted. */
export const UNVERIFIED = KIND_INFO.verifications.blank

/** An order nobody has sent. */
export const NOT_ORDERED = KIND_INFO.orders.blank

/** A job nobody has begun to hand over. */
export const NOT_HANDED_OVER = KIND_INFO.handovers.blank
