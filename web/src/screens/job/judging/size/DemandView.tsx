import { roughly, roughRange, tidy } from '../../../../base/format'
import { callout, Disclosure } from '../../../../base/ui'
import type { JobNeed } from '../../base/file'

interface Props {
  need: JobNeed
  installedGiB: number
}

const PART_NAMES = {
  system: 'The system',
  reserve: 'Kept free',
  graphics: 'Integrated graphics',
  growth: 'More over the years it must serve',
  use: '',
}

const BASIS = {
  uses: 'from the shop’s table of uses',
  log: 'from the measurement',
  both: 'from the measurement and the uses together',
}

/** The demand with its range, drawn to scale beside what is fitted, and what it is made of. */
export function DemandView({ need, installedGiB }: Props) {
  const { demand, uses, table, totals } = need
  if (!demand) {
    return (
      <p className={callout({ tone: 'ask' })}>
        Say what the machine is used for, or bring a log of the memory in use: either gives the
        demand, both together the better one.
      </p>
    )
  }
  const { low, likely, high, atLeast, basis } = demand
  const scale = Math.max(high, installedGiB) * 1.08
  const share = (gib: number) => `${(gib / scale) * 100}%`
  const enough = totals.filter(({ gib }) => gib >= likely)
  const next = enough.find(({ even }) => even) ?? enough[0]
  const after = enough.find(({ gib, even }) => even && next !== undefined && gib > next.gib)
  const most = totals.at(-1)?.gib ?? 0
  return (
    <section aria-label="Demand" className="border-2 border-ink px-3 py-2">
      <p>
        <b className="mr-2 text-2xl font-semibold whitespace-nowrap">
          {atLeast ? 'at least ' : ''}
          {roughly(likely)}
        </b>
        <span className="text-ink-2">
          {roughRange(low, high)}, {BASIS[basis]}
        </span>
      </p>
      <div className="relative my-2 h-9" aria-hidden>
        <div className="absolute inset-x-0 top-3.5 h-2 bg-note-soft" />
        <div
          className="absolute top-3.5 h-2 bg-gold-line"
          style={{ left: share(low), width: share(high - low) }}
        />
        <div className="absolute top-2 h-5 w-1 bg-ink" style={{ left: share(likely) }} />
        <div
          className="absolute top-0 h-9 border-l-2 border-dashed border-act"
          style={{ left: share(installedGiB) }}
        />
      </div>
      <p className="text-[0.93rem]">
        Needed now: <b className="font-semibold">{roughly(demand.now.likely)}</b>. The rest is the
        reserve and the years to come, which do not run out today.
      </p>
      <p className="text-sm text-ink-2">
        The bar is the range, the stroke what is likely, the dashed line the {tidy(installedGiB)} GB
        fitted.
      </p>
      {atLeast && (
        <p className="text-sm">
          The peak came to what was fitted: the demand was cut off there, so the log says only “at
          least this much”.
        </p>
      )}
      <p className="mt-1">
        {next ? (
          <>
            Next total this machine can have: <b className="font-semibold">{tidy(next.gib)} GB</b>
            {next.even ? ', equal on all channels' : ', unequal channels'}
            {after && `; the one after it is ${tidy(after.gib)} GB`}.
          </>
        ) : (
          <b className="font-semibold text-stop">
            More than this machine can have: its most is {tidy(most)} GB.
          </b>
        )}
      </p>
      {uses && (
        <Disclosure
          summary={
            <span className="text-sm underline">
              What the uses add up to: {roughly(uses.likely)}
            </span>
          }
        >
          <ul className="text-sm">
            {uses.parts.map(({ what, use, gib }) => (
              <li key={what + use} className="flex justify-between border-t border-rule py-0.5">
                <span>
                  {use === null
                    ? PART_NAMES[what]
                    : (table.uses.find(({ id }) => id === use)?.name ?? use)}
                </span>
                <span>{tidy(gib, 1)} GB</span>
              </li>
            ))}
          </ul>
          <p className="text-sm text-ink-2">Of sets of uses that run at once the largest counts.</p>
        </Disclosure>
      )}
    </section>
  )
}
