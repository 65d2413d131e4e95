import type {
  Order,
  ReturnLine,
  ReturnPatch,
  ShopModule,
  SupplierReturn,
} from '../../things/records'

/** A part that could go back to a supplier, as a line of its return. */
export type Returnable = Omit<ReturnLine, 'id'> & { supplier: string }

type Lying = Pick<
  ShopModule,
  | 'id'
  | 'source'
  | 'module'
  | 'serialNumber'
  | 'invoice'
  | 'supplier'
  | 'cost'
  | 'condition'
  | 'bad'
  | 'keptFor'
  | 'orderedFor'
>

/**
 * Parts that a supplier may take back: pieces put aside as bad, new ones that were ordered for a job and are kept for
 * none, and wrong parts that came with an order; each once, and none that a return has already.
 */
export function returnable(
  shelf: readonly Lying[],
  orders: readonly Pick<Order, 'supplier' | 'lines' | 'arrived' | 'confirmation'>[],
  returns: readonly Pick<SupplierReturn, 'lines'>[],
): Returnable[] {
  const known = new Set(
    returns.flatMap(({ lines }) =>
      lines.flatMap(({ pieceId, arrivalId }) => pieceId ?? arrivalId ?? []),
    ),
  )
  const pieces = shelf.flatMap((piece): Returnable[] => {
    const isSurplus =
      piece.orderedFor !== null && piece.keptFor === null && piece.condition === 'new'
    const isGoing = piece.source === 'shelf' && (piece.bad !== null || isSurplus)
    if (!isGoing || piece.supplier === '' || known.has(piece.id)) return []
    const { article, capacityGiB } = piece.module
    return [
      {
        supplier: piece.supplier,
        pieceId: piece.id,
        arrivalId: null,
        text: `${article}, ${capacityGiB} GB`,
        serial: piece.serialNumber,
        invoice: piece.invoice,
        why: piece.bad ? 'bad' : 'surplus',
        credit: piece.cost,
      },
    ]
  })
  const wrong = orders.flatMap(({ supplier, arrived }) =>
    arrived.flatMap((one): Returnable[] =>
      one.wrong === '' || known.has(one.id)
        ? []
        : [
            {
              supplier,
              pieceId: null,
              arrivalId: one.id,
              text: one.wrong,
              serial: one.serial,
              invoice: one.invoice,
              why: 'wrong',
              credit: null,
            },
          ],
    ),
  )
  return [...pieces, ...wrong]
}

/** Credit expected for a return, minor units; `unknown` counts lines of which nobody knows it. */
export const creditExpected = ({
  lines,
}: Pick<SupplierReturn, 'lines'>): { amount: number; unknown: number } => ({
  amount: lines.reduce((all, { credit }) => all + (credit ?? 0), 0),
  unknown: lines.filter(({ credit }) => credit === null).length,
})

/** Why a change of a return is refused; null where it is taken. */
export function returnRefusal(
  { sent, credited, lines }: Pick<SupplierReturn, 'sent' | 'credited' | 'lines'>,
  patch: Omit<ReturnPatch, 'version'>,
): string | null {
  if (credited) return 'The credit for this return is noted; it stays as it is.'
  if (sent && (patch.lines || patch.sent)) return 'This return is sent; its lines stay as they are.'
  if (patch.sent && (patch.lines ?? lines).length === 0) return 'There is nothing to send back.'
  if (patch.credited && !sent) return 'A return is sent before its credit comes.'
  return null
}
