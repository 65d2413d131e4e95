import { type StartingPoint, startingPoints } from '@tembrix/core/things/machines'
import { Scale } from 'lucide-react'
import { Link } from 'react-router'
import { useModelsQuery } from '../../base/data'
import { plural } from '../../base/format'
import { callout } from '../../base/ui'
import { useTry } from './useWhatIf'

/** Which machine: one press, and the board is there. */
export function Begin({ broken }: { broken: boolean }) {
  const { data: models = [] } = useModelsQuery()
  const points = startingPoints(models).filter(({ machine }) => machine.slots.length > 0)
  const known = points.filter(({ modelId }) => modelId !== null)
  const general = points.filter(({ modelId }) => modelId === null)
  return (
    <main id="work" tabIndex={-1} className="outline-none min-h-0 flex-1 overflow-auto">
      <div className="mx-auto flex max-w-5xl flex-col gap-4 p-4">
        {broken && (
          <p role="alert" className={callout({ tone: 'stop' })}>
            The link could not be opened: it was cut short or changed on its way. Start here.
          </p>
        )}
        <div className="flex flex-wrap items-center justify-between gap-3">
          <p className="text-lg">Which machine? Then say which modules; nothing is stored.</p>
          <Link
            to="/what-if/machines"
            className="inline-flex min-h-11 items-center gap-2 rounded-sm border border-rule-2 px-3.5 font-medium hover:bg-sheet-2"
          >
            <Scale size={17} aria-hidden /> Compare machines before buying
          </Link>
        </div>
        <Group title="By kind" points={general} />
        {known.length > 0 && <Group title="Known to the shop" points={known} />}
      </div>
    </main>
  )
}

function Group({ title, points }: { title: string; points: readonly StartingPoint[] }) {
  const { begin } = useTry()
  return (
    <section>
      <h2 className="mb-1.5 font-semibold">{title}</h2>
      <ul className="grid grid-cols-1 gap-2 sm:grid-cols-2 lg:grid-cols-3">
        {points.map(({ id, machine }) => (
          <li key={id}>
            <button
              type="button"
              onClick={() => begin(machine)}
              className="min-h-16 w-full rounded-sm border border-rule-2 bg-sheet px-3 py-2 text-left hover:border-act hover:bg-act-soft"
            >
              <b className="font-semibold">{machine.name}</b>
              <span className="block text-sm text-ink-2">
                {machine.generation}, {plural(machine.slots.length, 'slot')} on{' '}
                {plural(machine.channels.length, 'channel')}
                {machine.soldered.length > 0 && ', some soldered'}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  )
}
