import { type FaultSearch, isWarmNow, type Trial } from '@tembrix/core/bench/diagnose'
import { Check, Select } from '../../../../base/ui'
import { useJob } from '../../base/file'
import type { ModuleName } from '../../base/trials'

interface Props {
  search: FaultSearch
  trial: Trial
  onTrial: (trial: Trial) => void
  name: ModuleName
}

/** A trial of the technician's own: which module in which slot, seated again or not, how far it is tested. */
export function OwnTrial({ search, trial, onTrial, name }: Props) {
  const { machine } = useJob()
  const { order, modules, known } = search.suspicion.bench
  const { arrangement, reseat, profile, depth } = trial

  /** A module is in one slot: the one it came from takes what was here. */
  function place(slot: string, module: string) {
    const { [slot]: held, ...rest } = arrangement
    const from = Object.keys(rest).find((other) => rest[other] === module)
    const next: Record<string, string> = { ...rest }
    if (from) {
      if (held) next[from] = held
      else delete next[from]
    }
    if (module) next[slot] = module
    onTrial({ ...trial, arrangement: next })
  }

  return (
    <fieldset className="my-2 flex flex-col gap-1" aria-label="My own trial">
      {order.map((slot) => (
        <div key={slot} className="flex items-center gap-2">
          <b className="w-12 font-mono font-semibold">{slot}</b>
          <Select
            aria-label={`In ${slot}`}
            value={arrangement[slot] ?? ''}
            options={[
              { value: '', label: 'empty' },
              ...[...modules, ...known].map((value) => ({ value, label: name(value) })),
            ]}
            onValue={(module) => place(slot, module)}
          />
        </div>
      ))}
      <Check
        label="What stays is seated again too"
        checked={reseat}
        onChecked={(next) => onTrial({ ...trial, reseat: next })}
      />
      {machine.profiles && (
        <Check
          label="Memory profile on"
          checked={profile}
          onChecked={(next) => onTrial({ ...trial, profile: next })}
        />
      )}
      <Check
        label="With a pass of the memory test"
        checked={depth === 'test'}
        onChecked={(tested) => onTrial({ ...trial, depth: tested ? 'test' : 'start', warm: false })}
      />
      {depth === 'start' && isWarmNow(search.trials) && (
        <Check
          label="At once, while it is warm"
          checked={trial.warm === true}
          onChecked={(warm) => onTrial({ ...trial, warm })}
        />
      )}
    </fieldset>
  )
}
