import type { ScrewQuestion } from '@tembrix/core/bench/fitting'
import { list, plural, tidy } from '../../../../base/format'

/** `name` turns a pin's id into the number it has on the map. */
export function questionWords(question: ScrewQuestion, name: (id: string) => string): string {
  const holes = (ids: readonly string[]) => list(ids.map(name))
  switch (question.code) {
    case 'NOT_BACK':
      return `${plural(question.pins.length, 'hole')} still empty: ${holes(question.pins)}.`
    case 'LEFT_OVER':
      return `${plural(question.count, 'screw')} of ${tidy(question.lengthMm)} mm left, though every hole is filled. ${question.wants.length > 0 ? `Holes for that length: ${holes(question.wants)}.` : 'No hole on the map wants that length.'}${question.suspects.length > 0 ? ` Did one of ${holes(question.suspects)} get another?` : ''}`
    case 'WRONG_LENGTH':
      return `A screw of ${tidy(question.lengthMm)} mm is left, but no open hole wants that length. Wrong length for this hole: take the suspects out again${question.suspects.length > 0 ? ` (${holes(question.suspects)})` : ''} before forcing one in.`
    case 'MISSING':
      return `${plural(question.count, 'screw')} of ${tidy(question.lengthMm)} mm missing: look in the machine and under it before it is started.`
  }
}
