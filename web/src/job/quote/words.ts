import type { LabourCode } from '@tembrix/core/quote'

export const LABOUR_WORDS: Record<LabourCode, string> = {
  OPEN: 'opening and closing',
  BATTERY: 'battery',
  MODULES: 'modules',
  FIRST_START: 'first start',
  PROFILE: 'profile',
  STABILITY: 'stability test',
}
