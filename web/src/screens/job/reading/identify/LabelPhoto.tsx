import { codeLine } from '@tembrix/core/reading/labels'
import { X } from 'lucide-react'
import { useEffect, useRef, useState } from 'react'
import { Button, ErrorText, inputLook } from '../../../../base/ui'
import { loadReader, type PhotoReading } from '../../../../parts/photo'

interface Props {
  file: File
  /** Takes the text that stands on the label. */
  onRead: (text: string) => void
  onClose: () => void
}

type State =
  | { kind: 'reading'; share: number; doing: string }
  | { kind: 'read'; reading: PhotoReading; taken: boolean }
  | { kind: 'failed'; why: string }

/** A picture of a label being read: how far it is, what was found in it, and a question where it is unsure. */
export function LabelPhoto({ file, onRead, onClose }: Props) {
  const [state, setState] = useState<State>({ kind: 'reading', share: 0, doing: 'opening' })
  const [text, setText] = useState('')
  const stop = useRef<AbortController | null>(null)
  const take = useRef(onRead)
  take.current = onRead

  useEffect(() => {
    const ending = new AbortController()
    stop.current = ending
    void (async () => {
      try {
        const { readPhoto } = await loadReader()
        const reading = await readPhoto(
          file,
          (share, doing) => {
            if (!ending.signal.aborted) setState({ kind: 'reading', share, doing })
          },
          ending.signal,
        )
        if (ending.signal.aborted) return
        const found = [reading.label?.text, codeLine(reading.codes)].filter(Boolean).join('\n')
        setText(found)
        const sure = reading.label?.sure ?? false
        setState({ kind: 'read', reading, taken: sure })
        if (sure) take.current(found)
      } catch (error) {
        if (ending.signal.aborted) return
        const why = error instanceof Error ? error.message : 'The picture cannot be read.'
        setState({ kind: 'failed', why })
      }
    })()
    return () => ending.abort()
  }, [file])

  const asked = useRef<HTMLFormElement>(null)
  const asks = state.kind === 'read' && !state.taken
  useEffect(() => {
    if (asks) asked.current?.scrollIntoView({ block: 'nearest' })
  }, [asks])
  const choices = state.kind === 'read' ? (state.reading.label?.readings ?? []) : []
  const codes = state.kind === 'read' ? codeLine(state.reading.codes) : ''

  function read(chosen: string) {
    if (state.kind !== 'read') return
    // A choice is of the label alone; the codes beside it belong to it whatever it says.
    const whole = choices.includes(chosen) && codes ? `${chosen}\n${codes}` : chosen
    setText(whole)
    setState({ ...state, taken: true })
    onRead(whole)
  }

  return (
    <section
      aria-label={`Photo ${file.name}`}
      className="flex flex-col gap-2 border-t border-rule pt-2"
    >
      <div className="flex items-center gap-2 text-sm">
        <b className="min-w-0 flex-1 truncate font-semibold">{file.name}</b>
        <Button
          look="quiet"
          className="px-2"
          aria-label={`Close the photo ${file.name}`}
          onClick={onClose}
        >
          <X size={17} aria-hidden />
        </Button>
      </div>
      {state.kind === 'reading' && (
        <div className="flex items-center gap-2 text-sm">
          <progress
            value={state.share}
            aria-label="Reading the photo"
            className="h-2.5 flex-1 accent-act"
          />
          <span className="w-40 truncate text-ink-2">{state.doing}…</span>
          <Button
            onClick={() => {
              stop.current?.abort()
              onClose()
            }}
          >
            Cancel
          </Button>
        </div>
      )}
      {state.kind === 'failed' && <ErrorText className="text-sm">{state.why}</ErrorText>}
      {state.kind === 'read' && (
        <>
          <Picture reading={state.reading} />
          {state.taken ? (
            <p className="text-sm">
              Read: <span className="font-mono">{text}</span>
            </p>
          ) : text === '' ? (
            <p className="text-sm">
              No label was found in this picture. It is kept with the job’s photos; take one nearer
              and straighter, or type what stands on the label.
            </p>
          ) : (
            <form
              ref={asked}
              className="flex flex-col gap-1.5"
              onSubmit={(event) => {
                event.preventDefault()
                read(text)
              }}
            >
              {choices.length > 1 && (
                <fieldset className="flex flex-col items-start gap-1.5 text-sm">
                  <legend className="mb-1 font-semibold">
                    Not sure of every letter. Which of these stands on it?
                  </legend>
                  {choices.map((one) => (
                    <Button
                      key={one}
                      className="h-auto min-h-11 whitespace-pre-line py-1 text-left font-mono"
                      onClick={() => read(one)}
                    >
                      {one}
                    </Button>
                  ))}
                </fieldset>
              )}
              <label className="flex flex-col gap-1 text-sm">
                <span className="font-semibold">
                  {choices.length > 1
                    ? 'Or as you read it:'
                    : 'Not sure of every letter. Is this what stands on it?'}
                </span>
                <textarea
                  rows={Math.max(2, text.split('\n').length)}
                  value={text}
                  onChange={({ target }) => setText(target.value)}
                  className={`${inputLook} font-mono text-sm`}
                />
              </label>
              <Button
                type="submit"
                look={choices.length > 1 ? 'plain' : 'main'}
                className="self-start"
                disabled={text.trim() === ''}
              >
                Read this
              </Button>
            </form>
          )}
        </>
      )}
    </section>
  )
}

/** The picture as it was turned, with what belongs to the label marked on it. */
function Picture({ reading }: { reading: PhotoReading }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const { picture, lines, label, width, height } = reading
  useEffect(() => {
    let gone = false
    void createImageBitmap(picture).then((bitmap) => {
      const context = canvas.current?.getContext('2d')
      if (gone || !context) return
      context.drawImage(bitmap, 0, 0)
      context.lineWidth = Math.max(2, width / 250)
      lines.forEach(({ box }, at) => {
        const own = label?.lines.includes(at) ?? false
        context.strokeStyle = own ? '#b07d12' : 'rgba(90, 90, 90, 0.5)'
        if (own) context.strokeRect(box.x0, box.y0, box.x1 - box.x0, box.y1 - box.y0)
      })
      bitmap.close()
    })
    return () => {
      gone = true
    }
  }, [picture, lines, label, width])
  return (
    <canvas
      ref={canvas}
      width={width}
      height={height}
      role="img"
      aria-label="The photo, with what was read marked on it"
      className="max-h-64 w-full object-contain"
    />
  )
}
