import type { ScrewPin } from '../../things/records'

/** What is asked when closing, by the pins and what lies on the tray. */
export type ScrewQuestion =
  /** These holes have no screw yet. */
  | { code: 'NOT_BACK'; pins: string[] }
  /** So many screws of this length are left though every hole is filled: one got another's. */
  | { code: 'LEFT_OVER'; lengthMm: number; count: number; wants: string[]; suspects: string[] }
  /** A screw of another length is left than the open holes want. */
  | { code: 'WRONG_LENGTH'; lengthMm: number; wants: string[]; suspects: string[] }
  /** Fewer screws lie there than holes are open. */
  | { code: 'MISSING'; lengthMm: number; count: number }

/** The order screws go back in: as they came out, backwards; what was left out as damaged stays out. */
export function backwards(pins: readonly ScrewPin[]): ScrewPin[] {
  return pins.filter(({ leftOut }) => !leftOut).reverse()
}

/** Lengths of a map, rising: each has a colour and a shape of its own. */
export function lengthsOf(pins: readonly ScrewPin[]): number[] {
  return [...new Set(pins.map(({ lengthMm }) => lengthMm))].sort((a, b) => a - b)
}

/**
 * Compares what is back in its hole (`back`, by pin id) with what still lies on the tray (`left`, how
 * many by length in mm; null where nobody has counted). Captive screws stay in the cover and count in
 * neither.
 */
export function screwQuestions(
  pins: readonly ScrewPin[],
  back: ReadonlySet<string>,
  left: ReadonlyMap<number, number> | null,
): ScrewQuestion[] {
  const loose = pins.filter(({ captive, leftOut }) => !captive && !leftOut)
  const open = pins.filter(({ id, leftOut }) => !leftOut && !back.has(id))
  const questions: ScrewQuestion[] = []
  if (open.length > 0) questions.push({ code: 'NOT_BACK', pins: open.map(({ id }) => id) })
  if (left === null) return questions
  const openLoose = open.filter(({ captive }) => !captive)
  const lengths = new Set([...left.keys(), ...openLoose.map(({ lengthMm }) => lengthMm)])
  for (const lengthMm of [...lengths].sort((a, b) => a - b)) {
    const count = left.get(lengthMm) ?? 0
    const wanted = openLoose.filter((pin) => pin.lengthMm === lengthMm).length
    const filled = loose.filter(({ id }) => back.has(id))
    const wants = filled.filter((pin) => pin.lengthMm === lengthMm).map(({ id }) => id)
    const suspects = filled.filter((pin) => pin.lengthMm !== lengthMm).map(({ id }) => id)
    if (count > wanted && openLoose.length > 0) {
      questions.push({ code: 'WRONG_LENGTH', lengthMm, wants, suspects })
    } else if (count > wanted) {
      questions.push({ code: 'LEFT_OVER', lengthMm, count: count - wanted, wants, suspects })
    } else if (count < wanted) {
      questions.push({ code: 'MISSING', lengthMm, count: wanted - count })
    }
  }
  return questions
}
