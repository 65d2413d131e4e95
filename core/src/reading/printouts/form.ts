import {
  type Format,
  type FormRead,
  learnAll,
  SYSTEM,
  type SystemFigures,
  subjectOf,
} from '../facts'

/** The lines of a text, without their ends. */
export type TextLines = readonly string[]

/** What was read from a stretch of lines: from the one asked about up to `end` (an index, not included). */
export interface ReadStretch extends FormRead {
  end: number
}

/** One way in which consoles and tools print. */
export interface PrintForm {
  name: string
  /** First look at a line: false where nothing of this form can begin there. Told by a line alone, and quick. */
  begins: RegExp
  /** Reads the stretch that begins at a line (an index from 0); null where it is not of this form after all. */
  read: (lines: TextLines, at: number) => ReadStretch | null
}

export const isBlank = (line: string | undefined): boolean =>
  line === undefined || line.trim() === ''

/** Whether a line is a prompt with a command behind it, which is no output. */
export function isPrompt(line: string): boolean {
  return /^(?:PS )?[A-Za-z]:\\[^<>|]*>|^\S+@\S+[:~ ].*[$#%](?: |$)|^(?:[$#%]|>>?) \S|^PS ?>/.test(
    line.slice(0, 300),
  )
}

/** Stretch with figures of a running system. */
export function systemRead(
  format: Format,
  figures: Partial<SystemFigures>,
  at: number,
  end: number,
): ReadStretch {
  const system = subjectOf(SYSTEM, 'readout', { line: at + 1 })
  learnAll(system, figures)
  return { format, observations: system.observations, problems: [], end }
}
