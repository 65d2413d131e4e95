import { Maximize2, Minimize2, PanelTopClose } from 'lucide-react'
import { type ReactNode, useCallback, useEffect, useRef, useState } from 'react'
import {
  Group,
  Panel,
  type PanelImperativeHandle,
  Separator,
  useDefaultLayout,
} from 'react-resizable-panels'
import { useShortcut } from '../../base/keys'
import { IconButton, uiStorage, useMedia } from '../../base/ui'

interface Props {
  /** Where the work is: on the board, with the page beside it, or on the page, with the board as a strip. */
  leads: 'board' | 'page'
  /** What is worked on: a new one begins at its top and is gone to by key and reader. */
  place: string
  /** Beside all of it. */
  rail?: ReactNode
  /** The board, with what can be done with it as a whole. */
  board: (tools: ReactNode) => ReactNode
  /** The board in one line. */
  strip: (open: boolean, onOpen: () => void) => ReactNode
  /** What is dragged onto the board: shown where the board is. */
  tray: ReactNode
  children: ReactNode
}

/** As Tailwind’s `lg`: from here board and step fit side by side. */
const WIDE = '(min-width: 64rem)'

const FREE = { height: 'auto', overflow: 'visible' } as const

/**
 * The two frames of a screen with a board. On a narrow screen the page comes first in both, and the board is the
 * strip that opens.
 */
export function Frame({ leads, place, rail, board, strip, tray, children }: Props) {
  const wide = useMedia(WIDE)
  const [folded, setFolded] = useState(false)
  const [opened, setOpened] = useState(false)
  const [alone, setAlone] = useState(false)
  const canLead = wide && leads === 'board'
  const beside = canLead && !folded
  const open = useCallback(
    () => (canLead ? setFolded((now) => !now) : setOpened((now) => !now)),
    [canLead],
  )
  const turnAlone = useCallback(() => setAlone((now) => !now), [])
  useShortcut('board', open)
  useShortcut('boardAlone', beside ? turnAlone : undefined)
  const step = useRef<PanelImperativeHandle>(null)
  useEffect(() => {
    if (!beside) return
    if (alone) step.current?.collapse()
    else step.current?.expand()
  }, [beside, alone])
  const layout = useDefaultLayout({
    id: 'tembrix.board-and-page',
    storage: uiStorage,
    onlySaveAfterUserInteractions: true,
  })
  // Where one has gone to is never hidden.
  const main = useArrival(
    place,
    useCallback(() => setAlone(false), []),
  )
  const whole = !canLead && opened
  const tools = (
    <div className="flex flex-col rounded-md border-2 border-pcb-2 bg-pcb">
      <FrameButton
        label={alone ? 'Show the step beside the board' : 'The board alone'}
        onPress={turnAlone}
      >
        {alone ? <Minimize2 size={17} aria-hidden /> : <Maximize2 size={17} aria-hidden />}
      </FrameButton>
      <FrameButton label="Fold the board to a strip" onPress={open}>
        <PanelTopClose size={17} aria-hidden />
      </FrameButton>
    </div>
  )
  return (
    <>
      <div className="flex min-h-0 flex-1 flex-col lg:flex-row lg:gap-1.5 lg:p-1.5">
        {rail}
        <Group
          {...(beside ? layout : {})}
          className="min-w-0 flex-1"
          style={wide ? {} : FREE}
          disabled={!beside}
        >
          {beside && (
            <Panel id="board" defaultSize="58%" minSize="30%" className="flex flex-col">
              {board(tools)}
            </Panel>
          )}
          {beside && (
            <Separator
              aria-label="Between board and step"
              className="mx-px w-2 rounded-sm bg-transparent outline-offset-0 hover:bg-gold-line data-[separator=active]:bg-gold-line"
            />
          )}
          <Panel
            id="step"
            panelRef={step}
            collapsible={beside}
            minSize={beside ? 300 : 0}
            onResize={({ inPixels }) => beside && setAlone(inPixels < 1)}
            style={wide ? { overflow: 'hidden' } : { overflow: 'visible' }}
            className="flex flex-col"
          >
            {!beside && (
              <div className="top-0 z-20 shrink-0 max-lg:sticky">{strip(whole, open)}</div>
            )}
            {whole && (
              <div className="shrink-0 bg-mat p-1.5">
                <div className="lg:h-[56dvh]">{board(null)}</div>
                {tray}
              </div>
            )}
            <main
              ref={main}
              id="work"
              tabIndex={-1}
              inert={beside && alone}
              className="@container relative min-h-0 min-w-0 flex-1 bg-sheet p-3 outline-none lg:scroll-pb-16 lg:overflow-auto"
            >
              {children}
            </main>
          </Panel>
        </Group>
      </div>
      {beside && tray}
    </>
  )
}

/** The page’s own part: gone to, from its top, when another place is opened. */
function useArrival(place: string, onArrival: () => void) {
  const main = useRef<HTMLElement>(null)
  const last = useRef(place)
  useEffect(() => {
    if (last.current === place) return
    last.current = place
    onArrival()
    main.current?.focus({ preventScroll: true })
    main.current?.scrollTo(0, 0)
    window.scrollTo(0, 0)
  }, [place, onArrival])
  return main
}

function FrameButton({
  label,
  onPress,
  children,
}: {
  label: string
  onPress: () => void
  children: ReactNode
}) {
  return (
    <IconButton label={label} onClick={onPress} look="board">
      {children}
    </IconButton>
  )
}
