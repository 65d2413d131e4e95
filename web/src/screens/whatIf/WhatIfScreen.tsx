import { Check, Link2, RotateCcw } from 'lucide-react'
import { useCallback, useEffect, useState } from 'react'
import { Bar } from '../../base/shell'
import { Button } from '../../base/ui'
import { BoardColumn, BoardStrip, Desk, Legend } from '../../parts/board'
import { FindingList } from '../../parts/findings'
import { Frame } from '../../parts/frame'
import { Judgement } from '../../parts/judgement'
import { UndoButtons } from '../../parts/undo'
import { Add } from './Add'
import { Begin } from './Begin'
import { TriedTray } from './TriedTray'
import { type Trying, useAddress, useTry, useTrying } from './useWhatIf'
import { WhatIfAnswer } from './WhatIfAnswer'

/** The board without a job: from nothing to an answer, and a link that holds all of it. */
export function WhatIfScreen() {
  const [broken, setBroken] = useState(false)
  useAddress(useCallback(() => setBroken(true), []))
  const trying = useTrying()
  const { undo, redo } = useTry()
  if (!trying) {
    return (
      <div className="flex h-dvh flex-col">
        <Bar compact>
          <h1 className="font-semibold">What if</h1>
          <UndoButtons undo={undo} redo={redo} />
        </Bar>
        <Begin broken={broken} />
      </div>
    )
  }
  return <Tried trying={trying} />
}

function Tried({ trying }: { trying: Trying }) {
  const { state, pieces, placement, settings, evaluation } = trying
  const { machine, slots } = state
  const { set, startOver, undo, redo } = useTry()
  return (
    <Desk
      machine={machine}
      assignment={slots}
      pieces={pieces}
      onAssignment={(next) => set({ slots: next })}
      className="flex min-h-dvh flex-col lg:h-dvh"
    >
      <Bar compact>
        <h1 className="truncate">
          <b className="font-semibold">What if</b>{' '}
          <span className="text-ink-2">· {machine.name}</span>
        </h1>
        <UndoButtons undo={undo} redo={redo} />
        <CopyLink />
      </Bar>
      <Frame
        leads="board"
        place="what-if"
        board={(tools) => (
          <BoardColumn
            tools={tools}
            machine={machine}
            placement={placement}
            evaluation={evaluation}
            settings={settings}
            onProfile={(profile) => set({ profile })}
          />
        )}
        strip={(open, onOpen) => (
          <BoardStrip placement={placement} evaluation={evaluation} open={open} onOpen={onOpen} />
        )}
        tray={
          <>
            <TriedTray state={state} />
            <Legend />
          </>
        }
      >
        <div className="flex min-h-full flex-col gap-3">
          <Add machine={machine} />
          <WhatIfAnswer trying={trying} />
          {Object.keys(slots).length > 0 && (
            <FindingList machine={machine} placement={placement} evaluation={evaluation} />
          )}
          {evaluation.starts && (
            <Judgement machine={machine} placement={placement} settings={settings} policy={null} />
          )}
          <div className="mt-auto flex flex-wrap gap-2 pt-2">
            <Button onClick={() => set({ slots: {} })} disabled={Object.keys(slots).length === 0}>
              Empty the slots
            </Button>
            <Button onClick={() => startOver()}>
              <RotateCcw size={17} aria-hidden /> Another machine
            </Button>
          </div>
        </div>
      </Frame>
    </Desk>
  )
}

/** The address is the link; where the clipboard is closed it can still be copied from the address line. */
function CopyLink() {
  const [said, setSaid] = useState('')
  async function copy() {
    try {
      await navigator.clipboard.writeText(location.href)
      setSaid('Copied')
    } catch {
      setSaid('Copy it from the address line')
    }
  }
  useEffect(() => {
    if (said === '') return
    const timer = setTimeout(() => setSaid(''), 4000)
    return () => clearTimeout(timer)
  }, [said])
  return (
    <Button look="quiet" className="whitespace-nowrap" onClick={copy}>
      {said === 'Copied' ? <Check size={17} aria-hidden /> : <Link2 size={17} aria-hidden />}
      <span aria-live="polite">{said || 'Copy the link'}</span>
    </Button>
  )
}
