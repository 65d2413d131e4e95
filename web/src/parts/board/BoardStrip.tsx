import { asFarAsSeen, fittedModules } from '@tembrix/core/judging/evaluate'
import type { Evaluation, Finding, Placement, Slot } from '@tembrix/core/things/model'
import type { Assignment } from '@tembrix/core/things/records'
import { ChevronDown, ChevronUp } from 'lucide-react'
import { memo } from 'react'
import { capacity, plural, speed } from '../../base/format'
import { useMedia } from '../../base/ui'
import { channelClass } from './channels'
import { useDesk, useDeskStore } from './DeskContext'
import { modeWord } from './EvaluationFigures'
import { MemoryStrip } from './MemoryStrip'
import { pieceKey } from './SlotView'

interface Props {
  placement: Placement
  evaluation: Evaluation
  before?: { assignment: Assignment; evaluation: Evaluation } | undefined
  unseen?: readonly string[] | undefined
  lit?: readonly string[] | undefined
  /** Whether the whole board is shown beneath. */
  open: boolean
  onOpen: () => void
}

/** From here the memory strip has its place in the line. */
const ROOMY = '(min-width: 75rem)'

/** The board in one line: what is in each slot, and what that comes to. It opens to the whole board. */
export const BoardStrip = memo(function BoardStrip(props: Props) {
  const { placement, evaluation, before, unseen = [], lit = [], open, onOpen } = props
  const machine = useDesk((desk) => desk.machine)
  const wide = useMedia(ROOMY)
  const soldered = fittedModules(machine, {}).reduce((sum, one) => sum + one.module.capacityGiB, 0)
  return (
    <section
      aria-label="Board in short"
      className="flex min-h-13 items-stretch gap-x-3 border-b-2 border-rule bg-sheet pl-1.5"
    >
      <ul aria-label="Slots" className="flex min-w-0 items-center gap-1 overflow-x-auto py-1">
        {soldered > 0 && (
          <li className="shrink-0 px-1.5 text-sm leading-tight whitespace-nowrap">
            <span className="block text-ink-2">soldered</span>
            <b className="font-semibold">{capacity(soldered)}</b>
          </li>
        )}
        {machine.slots.map((slot) => (
          <SlotInShort
            key={slot.id}
            slot={slot}
            before={before?.assignment}
            lit={lit.includes(slot.id)}
            unseen={unseen.includes(slot.id)}
            onOpen={onOpen}
          />
        ))}
      </ul>
      <div className="ml-auto flex">
        {wide && unseen.length === 0 && evaluation.starts && (
          <MemoryStrip machine={machine} placement={placement} evaluation={evaluation} slim />
        )}
      </div>
      <button
        type="button"
        aria-expanded={open}
        aria-label={open ? 'Close the board' : 'Open the board'}
        onClick={onOpen}
        className="flex min-h-11 shrink-0 items-center gap-4 rounded-sm px-3 text-left hover:bg-sheet-2"
      >
        <Sum evaluation={evaluation} before={before?.evaluation} partly={unseen.length > 0} />
        <FindingCount findings={asFarAsSeen(evaluation.findings, unseen)} />
        <span className="flex items-center gap-1 font-medium">
          <span className="max-sm:sr-only">Board</span>
          {open ? <ChevronUp size={18} aria-hidden /> : <ChevronDown size={18} aria-hidden />}
        </span>
      </button>
    </section>
  )
})

/** A slot in the strip: takes what is in the hand and answers what the board is asked; else it opens the board. */
function SlotInShort({
  slot,
  before,
  lit,
  unseen,
  onOpen,
}: {
  slot: Slot
  before: Assignment | undefined
  lit: boolean
  unseen: boolean
  onOpen: () => void
}) {
  const { press } = useDeskStore()
  const channels = useDesk(({ machine }) => machine.channels)
  const now = useDesk(({ assignment, pieces }) => {
    const there = assignment[slot.id]
    return there ? pieces.get(there.moduleId)?.module.capacityGiB : undefined
  })
  const was = useDesk(({ pieces }) => {
    const there = before?.[slot.id]
    return there ? pieces.get(there.moduleId)?.module.capacityGiB : undefined
  })
  const key = useDesk(({ assignment }) => pieceKey(assignment[slot.id]))
  const changes = before !== undefined && pieceKey(before[slot.id]) !== key
  const asked = useDesk(({ asking, held }) => !held && (asking?.slots.includes(slot.id) ?? false))
  const takes = useDesk(({ held }) => held !== null) || asked
  const inside = unseen ? 'not seen' : now === undefined ? 'empty' : capacity(now)
  const found = was === undefined ? 'empty' : capacity(was)
  return (
    <li className="shrink-0">
      <button
        type="button"
        aria-label={`Slot ${slot.id}: ${changes ? `${found} as found, ${inside} planned` : inside}`}
        onClick={() => (takes ? press(slot.id) : onOpen())}
        className={`flex min-h-11 items-stretch overflow-hidden rounded-sm border-2 text-left text-sm leading-tight ${channelClass(channels, slot.channel)} ${lit || takes ? 'border-gold-line bg-gold-soft' : changes ? 'border-gold-line' : 'border-rule-2'}`}
      >
        <span className="channel-hatch grid w-5 place-items-center">
          <b className="rounded-xs bg-[var(--ch)] px-0.5 font-mono text-[0.75rem] text-[var(--ch-ink)]">
            {slot.channel}
          </b>
        </span>
        <span className="px-1.5 py-0.5">
          <span className="block font-mono text-[0.8rem] text-ink-2">{slot.id}</span>
          <span className="whitespace-nowrap">
            {changes && <s className="text-ink-2">{found}</s>}{' '}
            <b className={now === undefined ? 'font-normal text-ink-2' : 'font-semibold'}>
              {asked ? 'tap: here' : inside}
            </b>
          </span>
        </span>
      </button>
    </li>
  )
}

/** Capacity, channels and speed, with what they were. */
function Sum({
  evaluation,
  before,
  partly,
}: {
  evaluation: Evaluation
  before: Evaluation | undefined
  partly: boolean
}) {
  const size = ({ starts, capacity: { usableGiB, installedGiB } }: Evaluation) =>
    capacity(starts ? usableGiB : installedGiB)
  return (
    <>
      <Part name="Capacity" now={size(evaluation)} was={before && size(before)} />
      {!partly && (
        <>
          <Part
            name="Channels"
            now={modeWord(evaluation.mode)}
            was={before && modeWord(before.mode)}
            roomy
          />
          <Part
            name="Speed"
            now={speed(evaluation.run?.dataRate)}
            was={before && speed(before.run?.dataRate)}
            roomy
          />
        </>
      )}
    </>
  )
}

function Part({
  name,
  now,
  was,
  roomy = false,
}: {
  name: string
  now: string
  was: string | undefined
  /** Not shown where there is little room. */
  roomy?: boolean
}) {
  return (
    <span className={`text-sm leading-tight whitespace-nowrap ${roomy ? 'max-md:hidden' : ''}`}>
      <span className="block text-[0.8rem] text-ink-2">{name}</span>
      {was !== undefined && was !== now && (
        <span className="text-ink-2 max-sm:hidden">{was} → </span>
      )}
      <b className="font-semibold">{now}</b>
    </span>
  )
}

function FindingCount({ findings }: { findings: readonly Finding[] }) {
  const stops = findings.filter(({ severity }) => severity === 'stop').length
  const risks = findings.filter(({ severity }) => severity === 'risk').length
  if (stops > 0)
    return <span className="text-sm font-semibold text-stop">{plural(stops, 'stop')}</span>
  if (risks > 0)
    return <span className="text-sm font-semibold text-risk">{plural(risks, 'risk')}</span>
  return <span className="text-sm text-ink-2 max-md:hidden">no problems</span>
}
