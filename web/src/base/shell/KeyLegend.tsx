import { capital } from '../format'
import { Keys, SHORTCUTS } from '../keys'
import { Dialog } from '../ui'

const PLACES = ['everywhere', 'at the board', 'in a list', 'at the bench'] as const

/** Every key and what it does. */
export function KeyLegend({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onOpen={onClose} title="Keys">
      <div className="grid gap-x-8 gap-y-4 sm:grid-cols-2">
        {PLACES.map((place) => (
          <section key={place}>
            <h3 className="mb-1 font-semibold">{capital(place)}</h3>
            <dl className="grid grid-cols-[auto_1fr] items-baseline gap-x-4 gap-y-1">
              {Object.entries(SHORTCUTS)
                .filter(([, { where }]) => where === place)
                .map(([name, { shown, does }]) => (
                  <div key={name} className="contents">
                    <dt>
                      <Keys shown={shown} />
                    </dt>
                    <dd>{does}</dd>
                  </div>
                ))}
            </dl>
          </section>
        ))}
      </div>
    </Dialog>
  )
}
