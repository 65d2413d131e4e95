import { channelCapacities, fittedModules, spans } from '@tembrix/core/judging/evaluate'
import type { Evaluation, Machine, Placement } from '@tembrix/core/things/model'
import { bandwidth, capacity, list } from '../../base/format'
import { channelClass, weave } from './channels'

interface Props {
  machine: Machine
  placement: Placement
  evaluation: Evaluation
  /** In a line with other things: the lengths and their patterns alone. */
  slim?: boolean
}

/** The address space as a length: woven where memory is spread over channels, plain where one channel holds it. */
export function MemoryStrip({ machine, placement, evaluation, slim = false }: Props) {
  const fitted = fittedModules(machine, placement)
  const { zones, starts } = evaluation
  const layout = starts ? spans(channelCapacities(fitted), machine.interleave) : []
  return (
    <figure
      aria-label="Memory across channels"
      className={slim ? 'w-36 self-center' : 'bg-sheet px-3 py-2'}
    >
      <div className={`flex border-2 border-ink ${slim ? 'h-7' : 'h-11'}`}>
        {!starts && !slim && (
          <p className="m-auto text-sm text-ink-2">
            {fitted.length === 0
              ? 'No memory: the strip fills as modules go in.'
              : 'Nothing to show while the machine does not start.'}
          </p>
        )}
        {layout.map(({ channels, ways, gib }, index) => (
          <div
            key={channels.join()}
            style={{
              flexGrow: gib,
              ...(ways > 1 ? { backgroundImage: weave(machine.channels, channels) } : {}),
            }}
            className={`grid min-w-0 basis-0 place-items-center border-ink not-first:border-l-2 ${ways > 1 ? '' : `channel-hatch ${channelClass(machine.channels, channels[0] ?? '')}`}`}
          >
            <span
              className={
                slim
                  ? 'sr-only'
                  : 'max-w-full truncate rounded-xs bg-sheet px-1.5 text-sm font-medium'
              }
            >
              {capacity(gib)} {ways > 1 ? 'over' : 'on'} {list(channels)} ·{' '}
              {bandwidth(zones[index]?.peakGBs ?? 0)}
            </span>
          </div>
        ))}
      </div>
    </figure>
  )
}
