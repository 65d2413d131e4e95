import { pdf } from '@react-pdf/renderer'
import type { PaperSize } from '@tembrix/core/things/records'
import { PaperPdf } from './PaperPdf'
import { type Paper, textsOf } from './paper'
import { missingFrom } from './pdfFonts'

/**
 * A paper as a PDF file on sheets of that size, with `of` at the foot of each; with the shop’s `logo`; or the letters that none of
 * its fonts has.
 */
export async function pdfOf(
  paper: Paper,
  of: string,
  size: PaperSize,
  logo: string | null = null,
): Promise<{ file: Blob } | { missing: string }> {
  const missing = await missingFrom([...textsOf(paper), of].join(''))
  if (missing.length > 0) return { missing: missing.join(' ') }
  return { file: await pdf(<PaperPdf paper={paper} of={of} size={size} logo={logo} />).toBlob() }
}
