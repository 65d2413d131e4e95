import { type LabelSize, type PaperSize, STARTING_TERMS } from '@tembrix/core/things/records'
import { useEffect } from 'react'
import { useShopQuery } from '../../base/data'

/** How wide and high a paper is, as CSS names it. */
const SIZES: Record<PaperSize, string> = { A4: 'A4', Letter: 'letter' }

/** The rule of a printed page: its size, what it is of at its foot, and which page it is of how many. */
export const pageRule = (paper: PaperSize, of: string): string => `@page {
  size: ${SIZES[paper]};
  @bottom-left { content: ${JSON.stringify(of)}; font: 8pt sans-serif; }
  @bottom-right { content: counter(page) " / " counter(pages); font: 8pt sans-serif; }
}`

/** The same for labels: each is a page of its own, with nothing but itself on it. */
export const labelRule = ({ width, height }: LabelSize): string =>
  `@page { size: ${width}mm ${height}mm; margin: 2mm; }`

/**
 * Prints the page on the shop’s paper, with what it is of on every sheet, or on labels of a size. Answers which
 * paper that is.
 */
export function usePaper(of: string, label: LabelSize | null): PaperSize {
  const { data: shop } = useShopQuery()
  const paper = shop?.terms.paper ?? STARTING_TERMS.paper
  const { width, height } = label ?? {}
  useEffect(() => {
    const sheet = new CSSStyleSheet()
    sheet.replaceSync(width && height ? labelRule({ width, height }) : pageRule(paper, of))
    document.adoptedStyleSheets.push(sheet)
    return () => {
      document.adoptedStyleSheets = document.adoptedStyleSheets.filter((one) => one !== sheet)
    }
  }, [paper, of, width, height])
  return paper
}
