import type { Handover, Paragraph, Section } from '../../things/records'

/** The report in words: what was written by hand for a part, else what the record says. */
export type Report = Readonly<Record<Section, readonly Paragraph[]>>

/** A part of the report as it is shown: the shop's own words where there are any. */
export const partOf = (
  section: Section,
  wording: Handover['wording'],
  written: Report,
): readonly Paragraph[] => wording[section] ?? written[section]

/** The figures that stand in these paragraphs, by name. */
export const figuresIn = (paragraphs: readonly Paragraph[]): string[] =>
  paragraphs.flatMap((paragraph) =>
    paragraph.flatMap((stretch) => (typeof stretch === 'string' ? [] : [stretch.figure])),
  )

/** Paragraphs as texts, every figure filled in from the record; empty ones left out. */
export function filledIn(
  paragraphs: readonly Paragraph[],
  figures: Readonly<Record<string, string>>,
): string[] {
  return paragraphs
    .map((paragraph) =>
      paragraph
        .map((stretch) =>
          typeof stretch === 'string' ? stretch : (figures[stretch.figure] ?? '?'),
        )
        .join('')
        .trim(),
    )
    .filter(Boolean)
}

/** Figures that stand in the wording and that the record no longer has. */
export const figuresGone = (
  wording: Handover['wording'],
  figures: Readonly<Record<string, string>>,
): string[] => [
  ...new Set(
    Object.values(wording).flatMap((paragraphs) =>
      figuresIn(paragraphs ?? []).filter((name) => !Object.hasOwn(figures, name)),
    ),
  ),
]
