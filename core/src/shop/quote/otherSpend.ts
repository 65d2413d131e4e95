import { known } from '../../things/model'
import type { OtherSpend } from '../../things/records'

export const OTHER_MINUTES = known<Record<OtherSpend, number>>(
  { disk: 45, cooling: 30, repair: 60, nothing: 0 },
  'To begin with; each offer’s minutes are the shop’s to set. Copying a disk goes on by itself and is not counted.',
)
