import type { Entry } from '../data'
import { Dialog } from '../ui'
import { Behind, HeldEntry } from './Held'

/** What could not be saved, and the ways out. */
export function HeldDialog({
  held,
  onOpen,
}: {
  held: readonly Entry[]
  onOpen: (open: boolean) => void
}) {
  return (
    <Dialog open onOpen={onOpen} title="What could not be saved">
      <div className="flex flex-col gap-5">
        {held.map((entry) => (
          <div key={entry.id}>
            <HeldEntry entry={entry} />
            <Behind entry={entry} />
          </div>
        ))}
      </div>
    </Dialog>
  )
}
