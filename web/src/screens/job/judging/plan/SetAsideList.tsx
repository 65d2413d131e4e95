import type { PlanAnswer, Refusal, SetAside } from '@tembrix/core/judging/plan'
import type { FindingCode } from '@tembrix/core/things/model'
import { list, plural } from '../../../../base/format'

const REASONS: Partial<Record<Refusal | FindingCode, string>> = {
  NOT_A_MODULE: 'with figures no module has',
  NOT_AN_OFFER: 'with figures no offer has',
  DOUBLED_ID: 'listed twice',
  OUT_OF_STOCK: 'out of stock',
  TOO_MANY_PIECES: 'a kit of more pieces than slots',
  WRONG_GENERATION: 'of another generation',
  WRONG_FORM_FACTOR: 'of another form',
  WRONG_BUFFERING: 'with other buffering',
  WRONG_VOLTAGE: 'of another voltage',
  ECC_REFUSED: 'with ECC, which is refused',
  ECC_REQUIRED: 'without ECC, which is required',
  SLOT_CAPACITY: 'too large for a slot',
  DIE_DENSITY: 'with dies too dense',
}

interface Props {
  answer: PlanAnswer
  unpriced: number
}

/** What the planner could not use, counted by reason. */
export function SetAsideList({ answer: { setAside }, unpriced }: Props) {
  const words = [...countReasons(setAside)].map(([reason, count]) => `${count} ${reason}`)
  if (unpriced > 0) words.push(`${unpriced} without a price`)
  if (words.length === 0) return null
  return (
    <p className="text-sm text-ink-2">
      Left out: {plural(setAside.length + unpriced, 'piece')} ({list(words)}).
    </p>
  )
}

function countReasons(setAside: readonly SetAside[]): Map<string, number> {
  const counts = new Map<string, number>()
  for (const { reasons } of setAside) {
    const words = REASONS[reasons[0] as Refusal | FindingCode] ?? 'for another reason'
    counts.set(words, (counts.get(words) ?? 0) + 1)
  }
  return counts
}
