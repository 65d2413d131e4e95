/** The key of the ruling that says whether a slot is empty. */
export const emptyKey = (slot: string): string => `slot.${slot}.empty`
