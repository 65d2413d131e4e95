import { HttpError } from '../../base/http'
import { SupplierFailed } from './supplier'

/**
 * What a supplier answers, if it does so in time; given up when `gone` aborts.
 * @throws HttpError 504 `supplier_slow` past `ms`, 502 `supplier_failed` when it fails.
 */
export async function within<T>(
  ms: number,
  gone: AbortSignal,
  ask: (signal: AbortSignal) => Promise<T>,
): Promise<T> {
  const late = AbortSignal.timeout(ms)
  try {
    return await ask(AbortSignal.any([late, gone]))
  } catch (error) {
    if (late.aborted) {
      throw new HttpError(504, 'supplier_slow', 'The supplier did not answer in time.')
    }
    if (error instanceof SupplierFailed) {
      throw new HttpError(502, 'supplier_failed', 'The supplier answered with an error.')
    }
    throw error
  }
}
