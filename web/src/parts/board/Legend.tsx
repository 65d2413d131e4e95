import { memo } from 'react'

const KEYS = [
  ['Enter', 'pick up or put down'],
  ['1–9', 'into that slot'],
  ['Del', 'take out'],
  ['Esc', 'put back'],
  ['Ctrl Z', 'undo'],
] as const

/** The keys at the board. */
export const Legend = memo(function Legend() {
  return (
    <p className="flex shrink-0 gap-4 overflow-hidden bg-sheet px-3 pt-0.5 pb-1.5 text-[0.8rem] whitespace-nowrap text-ink-2">
      {KEYS.map(([key, does]) => (
        <span key={key}>
          <kbd className="rounded-xs border border-rule-2 px-1 font-mono">{key}</kbd> {does}
        </span>
      ))}
      <span className="max-lg:hidden">or drag, or tap a module and then a slot</span>
    </p>
  )
})
