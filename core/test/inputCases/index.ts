import type { Family } from './case'
import { KITS, ORDINARY } from './kits'
import { CLOCKS, SPECIFICATION_PAGES, TOOL_FORMS } from './pages'
import { CONTRADICTIONS, DIES, GATE } from './plausible'
import { PASTES, REPORT_ODDITIES, UNITS } from './reports'
import { FORMS, LANGUAGES, NEGATION } from './words'

export type { Family, InputCase } from './case'
export { type ListCase, type LogCase, MEMORY_LOGS, PRICE_LISTS } from './lists'

export const INPUT_FAMILIES: readonly Family[] = [
  ORDINARY,
  NEGATION,
  LANGUAGES,
  FORMS,
  GATE,
  DIES,
  CONTRADICTIONS,
  KITS,
  PASTES,
  REPORT_ODDITIES,
  UNITS,
  SPECIFICATION_PAGES,
  CLOCKS,
  TOOL_FORMS,
]
