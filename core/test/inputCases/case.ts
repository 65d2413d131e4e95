/**
 * An input as people and everyday tools write it, and the truth about it, written down before any reader saw it.
 *
 * `sticks` lists the modules it speaks of, one string each: `16G DDR4 SODIMM 2Rx8 r3200 kit2 -ecc`. A figure that is
 * left out is not judged; `?cap`, `?kit`, `?form`, `?rate`, `?gen`, `?ecc` say that nobody can know it from this input,
 * so that a reader has to leave it open. An input that speaks of no module has none.
 */
export interface InputCase {
  text: string
  sticks: readonly string[]
  /** Facts of the machine: a limit, its slots; null for what must not be stated. */
  machine?: { maximumGiB?: number | null; slotCount?: number | null }
  /** Figures of the running system, GiB. */
  system?: { totalGiB?: number | null }
}

export interface Family {
  name: string
  cases: readonly InputCase[]
}

/** A text with the modules it speaks of. */
export const says = (text: string, ...sticks: string[]): InputCase => ({ text, sticks })

/** A text that speaks of no module that could sit in a slot. */
export const none = (text: string): InputCase => ({ text, sticks: [] })
