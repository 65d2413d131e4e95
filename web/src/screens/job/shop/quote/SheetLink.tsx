import { PrintLink } from '../../base/sheet'

/** Where a version of the quote is printed; the newest one where none is named. */
export const sheetOf = (jobId: string, version?: number): string =>
  `/jobs/${jobId}/quote-sheet${version === undefined ? '' : `?version=${version}`}`

export function SheetLink({ jobId, version }: { jobId: string; version?: number }) {
  return <PrintLink to={sheetOf(jobId, version)}>For the customer, to print</PrintLink>
}
