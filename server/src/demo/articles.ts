import type { PieceCondition } from '@tembrix/core/things/records'
import type { ArticleName } from '../shop/supplier'

export interface ShelfArticle {
  article: ArticleName
  price: number
  condition: PieceCondition
  /** Days ago; null: untested. */
  tested: number | null
  serial: string
  note?: string
}

const piece = (
  article: ArticleName,
  price: number,
  condition: PieceCondition,
  tested: number | null,
  serial: string,
  note?: string,
): ShelfArticle => ({ article, price, condition, tested, serial, ...(note ? { note } : {}) })

/** What lies on the shop's shelf, piece by piece, and its price in cents. */
export const SHELF: ShelfArticle[] = [
  piece('laptop8', 1400, 'used', 41, 'LF-20418-77'),
  piece('laptop8', 1400, 'used', 41, 'LF-20418-81'),
  piece('laptop8slow', 900, 'used', 12, 'LF-19802-05', 'from an all-in-one'),
  piece('laptop16', 2500, 'used', 30, 'LF-22907-12'),
  piece('laptop16', 2600, 'used', 6, 'LF-22931-40'),
  piece('laptop16kit', 3400, 'used', 19, 'WD-7713-A'),
  piece('laptop16kit', 3400, 'used', 19, 'WD-7713-B'),
  piece('desktop8', 1000, 'used', 88, 'QN-33107-12'),
  piece('desktop8', 1000, 'used', null, 'QN-33107-13'),
  piece('desktop16', 2400, 'new', null, 'QN-41120-02', 'opened packaging'),
  piece('five16', 3900, 'used', 9, 'QN-58004-66'),
  piece('server16', 2200, 'used', 30, 'QR-10882-01', 'from a decommissioned machine'),
  piece('old4', 500, 'used', 140, 'LF-08123-90'),
]

/** What was taken up from the supplier; a kit's price is for all its pieces, stock counts purchases. */
export const SUPPLIED: { article: ArticleName; price: number; stock: number; leadDays: number }[] =
  (
    [
      ['laptop8', 2300, 34, 1],
      ['laptop16', 3900, 21, 1],
      ['laptop16kit', 7600, 12, 2],
      ['laptop32', 7400, 9, 2],
      ['desktop8', 2100, 40, 1],
      ['desktop16', 3700, 18, 1],
      ['desktop16kit', 7200, 15, 2],
      ['five16', 5400, 22, 1],
      ['five24', 7900, 6, 3],
      ['five16fast', 11900, 8, 2],
      ['five32fast', 22900, 4, 3],
      ['server16', 6100, 6, 4],
      ['server32', 11800, 8, 4],
      ['old8', 2800, 3, 5],
    ] as const
  ).map(([article, price, stock, leadDays]) => ({ article, price, stock, leadDays }))

/** What the board maker's list of the demonstration names, and in how many slots it was tested. */
export const LISTED: [ArticleName, number][] = [
  ['five8', 2],
  ['five16', 4],
  ['five24', 2],
  ['five16fast', 2],
]
