import type { OrderState } from '@tembrix/core/shop/orders'
import type { ReturnReason } from '@tembrix/core/things/records'

export const ORDER_STATE_NAMES: Record<OrderState, string> = {
  draft: 'not sent yet',
  sent: 'sent, not confirmed',
  confirmed: 'confirmed',
  late: 'late',
  part: 'part delivered',
  delivered: 'delivered',
  refused: 'refused',
  cancelled: 'cancelled',
}

export const RETURN_REASON_NAMES: Record<ReturnReason, string> = {
  bad: 'faulty',
  wrong: 'not what was ordered',
  surplus: 'not needed',
}
