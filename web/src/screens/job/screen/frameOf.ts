/** How a step and the board share the screen, and what the board shows. */
export interface StepFrame {
  /** Where the work is. */
  leads: 'board' | 'page'
  /** What is planned is in the slots; else what was found. */
  planning: boolean
  /** The board follows the work at the bench: nothing is moved on it by hand. */
  atBench: boolean
  verifying: boolean
}

const ON_THE_BOARD = ['identify', 'plan', 'fit', 'verify']
/** Tabs of those that are read rather than worked at on the board. */
const ON_THE_PAGE = ['plan options', 'verify measured']
const PLANNED = ['plan', 'quote', 'fit', 'verify', 'handover']

/** The frame of a step by its address, like `/jobs/7/verify` with `?tab=measured`. */
export function frameOf(pathname: string, search: string): StepFrame {
  const step = pathname.split('/').at(-1) ?? ''
  const tab = new URLSearchParams(search).get('tab') ?? ''
  const onPage = !ON_THE_BOARD.includes(step) || ON_THE_PAGE.includes(`${step} ${tab}`)
  const verifying = step === 'verify'
  const done = step === 'handover'
  return {
    leads: onPage ? 'page' : 'board',
    planning: PLANNED.includes(step),
    atBench: verifying || done || step === 'fit',
    verifying,
  }
}
