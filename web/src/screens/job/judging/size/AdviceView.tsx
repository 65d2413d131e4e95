import {
  type BoughtLayout,
  isFelt,
  type LayoutGain,
  type Advice as Spending,
  type SpendingVerdict,
} from '@tembrix/core/judging/advice'
import { isSteadier } from '@tembrix/core/judging/forecast'
import type { LogSummary } from '@tembrix/core/judging/sizing'
import type { Inside } from '@tembrix/core/things/model'
import { Link } from 'react-router'
import { list, plural, tidy } from '../../../../base/format'
import { callout } from '../../../../base/ui'
import { FreeFirst, gainInWords } from '../plan'
import { isLayoutReason, LAYOUT_QUESTION_WORDS, reasonWords } from './words'

interface Props {
  advice: Spending
  log: LogSummary | null
  installedGiB: number
  unseen: readonly string[]
  inside: Inside | undefined
}

const VERDICTS: Record<SpendingVerdict, { title: string; tone: 'good' | 'risk' | 'ask' }> = {
  memory: { title: 'Memory is the right first spend', tone: 'good' },
  layout: { title: 'The layout of its memory first', tone: 'good' },
  disk: {
    title: 'A solid-state disk is the better first spend',
    tone: 'risk',
  },
  cooling: {
    title: 'Look at cooling and dust first',
    tone: 'risk',
  },
  'processor-or-graphics': {
    title: 'Memory will hardly help: the processor or the graphics decide',
    tone: 'risk',
  },
  nothing: { title: 'Nothing says that memory is short', tone: 'risk' },
  test: {
    title: 'Test the memory that is in it, and the drive, before anything is bought',
    tone: 'risk',
  },
  measure: {
    title: 'Measure before spending: log the memory in use over a working day',
    tone: 'ask',
  },
}

const CARD_FIRST = {
  title: 'The graphics card first: its own memory is full',
  tone: 'risk',
} as const

/** Something that decides is still to be found out. */
const NOT_DECIDED = { title: 'Not decided yet', tone: 'ask' } as const

/** The advice: the first spend, its reasons, and the questions to ask first. */
export function AdviceView({ advice, log, installedGiB, unseen, inside }: Props) {
  const { first, reasons, memoryToo, layout } = advice
  const isOpen = (layout?.asks.length ?? 0) > 0
  const isCard = first === 'processor-or-graphics' && reasons.includes('CARD_MEMORY_FULL')
  const { title, tone } =
    first === 'measure' && isOpen ? NOT_DECIDED : isCard ? CARD_FIRST : VERDICTS[first]
  const words = reasonWords(log, installedGiB)
  const ofLayout = reasons.filter(isLayoutReason)
  const others = reasons.filter((one) => !isLayoutReason(one))
  const says = (gain: LayoutGain | null | undefined) =>
    gain != null && (isFelt(gain) || isSteadier(gain))
  const isNote = ofLayout.length > 0 && !says(layout?.free) && !says(layout?.bought)
  const why = first === 'layout' ? [...ofLayout, ...others] : others
  return (
    <>
      <section aria-label="What to spend on" data-verdict={first} className={callout({ tone })}>
        <h3 className="font-semibold">{title}</h3>
        <div className="flex flex-col gap-1 text-[0.93rem]">
          <p>
            {why.map((one) => words[one]).join(' ')}
            {(first === 'disk' || first === 'test') &&
              memoryToo &&
              ' Memory is worth its money as well.'}
          </p>
          {first !== 'layout' && ofLayout.length > 0 && (
            <p>
              {first === 'memory' ? 'Plan with the layout in mind: ' : 'About the layout: '}
              {ofLayout.map((one) => words[one]).join(' ')}
              {isNote &&
                !isOpen &&
                ' For these uses that is a note: a better layout gains nothing anyone would notice.'}
            </p>
          )}
          {(first === 'disk' || first === 'cooling' || first === 'nothing') && (
            <p>
              It can be offered beside memory:{' '}
              <Link to="../quote" className="underline">
                Quote
              </Link>
              .{insideWords(inside)}
            </p>
          )}
          {layout?.bought && says(layout.bought) && <p>{boughtWords(layout.bought)}</p>}
          {layout && isOpen && (
            <ul aria-label="To find out" className="list-disc pl-5">
              {layout.asks.map((one) => (
                <li key={one}>
                  {one === 'SLOTS' ? (
                    <>
                      What is in {list(unseen)} decides how its memory lies: look, and say so in{' '}
                      <Link to="../identify" className="underline">
                        Identify
                      </Link>
                      .
                    </>
                  ) : (
                    LAYOUT_QUESTION_WORDS[one]
                  )}
                </li>
              ))}
            </ul>
          )}
        </div>
      </section>
      {layout?.free && <FreeFirst free={layout.free} />}
    </>
  )
}

/** Findings under the cover that bear on another spend. */
function insideWords(inside: Inside | undefined): string {
  const said = [
    inside?.diskSlot === 'free' && `a free disk slot${inside.diskSize && ` (${inside.diskSize})`}`,
    inside?.dust === 'much' && 'much dust',
  ].filter((one) => one !== false && one !== undefined)
  return said.length > 0 ? ` Under the cover there is ${list(said)}.` : ''
}

/** “One more module of 16 GB in B would bring 30–50 % faster through the layout alone.” */
function boughtWords(bought: BoughtLayout): string {
  const { adds, takesOut } = bought
  const gib = tidy(adds[0]?.capacityGiB ?? 0)
  const what = `${plural(adds.length, 'module')} of ${gib} GB in ${list(adds.map(({ slot }) => slot))}`
  const instead = takesOut.length > 0 ? `, in place of what is in ${list(takesOut)}` : ''
  return `By the layout alone, ${what}${instead} should bring: ${gainInWords(bought)}. What more memory brings comes on top.`
}
