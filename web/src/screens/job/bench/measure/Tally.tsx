import { callsOf, type Tested } from '@tembrix/core/bench/measure'
import { list, plural, tidy } from '../../../../base/format'
import { callout } from '../../../../base/ui'
import { useJob } from '../../base/file'

interface Props {
  tested: readonly Tested<unknown>[]
  /** Tests, and logs with all their figures, which count once. */
  groups: readonly (Tested<unknown> | readonly Tested<unknown>[])[]
}

/** What all tests say together, how much of that chance alone would say, and what scatter it rests on. */
export function Tally({ tested, groups }: Props) {
  const { learned } = useJob()
  const { called, byChance, machine, compared: counted } = callsOf(groups)
  const compared = tested.filter(
    ({ against: { after } }) => after && after.verdict !== 'too-few',
  ).length
  if (compared === 0) return null
  const count = (verdict: string) =>
    tested.filter(({ against }) => against.after?.verdict === verdict).length
  const alike = count('alike')
  const said = [
    [count('gain'), 'gain', 'gains'],
    [count('loss'), 'loss', 'losses'],
    [alike, 'without a difference worth paying for', 'without a difference worth paying for'],
    [count('cannot-tell'), 'not told from noise', 'not told from noise'],
  ] as const
  const { withinSd, sessionSd, sessions } = learned.scatter.all
  return (
    <section aria-label="All tests" className={callout({ tone: 'note' })}>
      <p>
        <b className="font-semibold">{plural(compared, 'test')} compared:</b>{' '}
        {list(
          said.flatMap(([many, one, more]) =>
            many > 0 ? [`${many} ${many === 1 ? one : more}`] : [],
          ),
        )}
        .
      </p>
      <p className="text-[0.93rem]">
        {called > 0 && counted > 1
          ? `Of so many, chance alone would call about ${tidy(byChance, 1)} a gain or a loss: ${MACHINE_WORDS[machine ?? 'none']} `
          : ''}
        {alike === compared &&
          'Nothing worth paying for was gained: as good a result to know as a gain.'}
      </p>
      <p className="text-sm text-ink-2">
        {sessions > 0
          ? `Scatter learned from ${plural(sessions, 'repeated session')} of this shop: ${share(withinSd)} from run to run, ${share(sessionSd)} from session to session.`
          : `Taken to scatter by ${share(sessionSd)} from session to session, as is usual, until this shop has repeated sessions of its own.`}
      </p>
    </section>
  )
}

const MACHINE_WORDS = {
  gain: 'all together, this machine gained.',
  loss: 'all together, this machine lost.',
  both: 'all together, it gained in some and lost in others.',
  none: 'all together, that is not enough to say that this machine changed.',
} as const

const share = (sd: number) => `${tidy(sd * 100, 1)} %`
