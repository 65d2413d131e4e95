import { memo } from 'react'
import { Keys, SHORTCUTS } from '../../base/keys'

const { hold, slot, takeOut, putBack, undo, legend } = SHORTCUTS

/** The keys at the board. */
export const Legend = memo(function Legend() {
  return (
    <p className="flex shrink-0 gap-4 overflow-hidden bg-sheet px-3 pt-0.5 pb-1.5 text-[0.8rem] whitespace-nowrap text-ink-2">
      {[hold, slot, takeOut, putBack, undo, legend].map(({ shown, does }) => (
        <span key={does}>
          <Keys shown={shown} /> {does === legend.does ? 'all keys' : does}
        </span>
      ))}
      <span className="max-lg:hidden">or drag, or tap a module and then a slot</span>
    </p>
  )
})
