import { returnRefusal } from '@tembrix/core/shop/orders'
import type { ReturnLine } from '@tembrix/core/things/records'
import { and, eq, inArray, isNull } from 'drizzle-orm'
import { modules, reservations, returns, type Transaction } from '../base/database'
import { HttpError, invalid } from '../base/http'
import { readShop } from '../shop/settings'
import type { Rules } from '../things/records'

/** Parts that go back to suppliers: once sent, its pieces are off the shelf. */
export const returnRules: Rules<'returns'> = {
  making: async (tx, asked) => {
    await refuseTaken(tx, asked.lines, null)
    return { ...asked, currency: (await readShop(tx)).terms.currency }
  },
  changing: async (tx, before, { version: _, ...patch }) => {
    const refusal = returnRefusal(before, patch)
    if (refusal) throw new HttpError(409, 'returned', refusal)
    if (patch.lines) await refuseTaken(tx, patch.lines, before.id)
    return patch
  },
  written: async (tx, { id, lines }, patch) => {
    const pieces = lines.flatMap(({ pieceId }) => pieceId ?? [])
    if (!patch?.sent || pieces.length === 0) return
    await tx
      .update(modules)
      .set({ returnId: id })
      .where(and(inArray(modules.id, pieces), isNull(modules.returnId)))
  },
  removing: async (_, { sent, number }) => {
    if (sent) throw new HttpError(409, 'sent', `Return ${number} is sent; it stays.`)
  },
  listing: () => ({ where: undefined, order: { by: returns.number, descending: true } }),
}

/** Refuses pieces that are kept for a job, not on the shelf, or in another return. */
async function refuseTaken(
  tx: Transaction,
  lines: readonly ReturnLine[],
  own: string | null,
): Promise<void> {
  const others = (await tx.select().from(returns)).filter(({ id }) => id !== own)
  const known = new Map(
    others.flatMap(({ number, lines }) =>
      lines.map(({ pieceId, arrivalId }) => [pieceId ?? arrivalId, number] as const),
    ),
  )
  for (const [at, { pieceId, arrivalId, text }] of lines.entries()) {
    const path = `lines.${at}.pieceId`
    const other = known.get(pieceId ?? arrivalId)
    if (other !== undefined) {
      throw invalid([{ path, message: `${text} is in return ${other} already.` }])
    }
    if (pieceId === null) continue
    const [piece] = await tx.select().from(modules).where(eq(modules.id, pieceId))
    const [kept] = await tx.select().from(reservations).where(eq(reservations.moduleId, pieceId))
    if (piece?.source !== 'shelf' || piece.fittedJobId !== null || piece.returnId !== null) {
      throw invalid([{ path, message: `${text} is not on the shelf.` }])
    }
    if (kept) throw invalid([{ path, message: `${text} is kept for a job.` }])
  }
}
