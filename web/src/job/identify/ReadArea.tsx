import type { Problem, Reading } from '@tembrix/core/readings'
import { PHOTO_LIMIT, PHOTO_TYPES } from '@tembrix/core/records'
import { FileUp, Trash2 } from 'lucide-react'
import { type ClipboardEvent, type DragEvent, useRef, useState } from 'react'
import { useAddPhotoMutation } from '../../data'
import { PROBLEMS, placeOf } from '../../facts'
import { ago, Button, inputLook } from '../../ui'
import { readingOf, useJob } from '../file'
import { useIdentify } from './useIdentify'
import { gist } from './words'

/** The largest file that is opened as a readout, bytes. */
const LARGEST = 600_000

const isPhoto = (file: File) => (PHOTO_TYPES as readonly string[]).includes(file.type)

/** One place for everything that can be read: pasted, dropped or chosen, several at once. */
export function ReadArea() {
  const { file: job } = useJob()
  const { readText, readBytes } = useIdentify()
  const [addPhoto, { isLoading: uploading }] = useAddPhotoMutation()
  const [text, setText] = useState('')
  const [over, setOver] = useState(false)
  const [said, setSaid] = useState<string[]>([])
  const chooser = useRef<HTMLInputElement>(null)
  const area = useRef<HTMLElement>(null)

  function take(name: string, typed: string) {
    if (typed.trim() === '') return
    if (typed.length > LARGEST) {
      setSaid([`${name}: too long. A readout is at most ${LARGEST / 1000} thousand characters.`])
      return
    }
    const reading = readText(name, typed)
    setSaid(faultsOf(name, reading))
    setText(reading.format === 'unknown' ? typed : '')
    // What was read is settled by keys next, so the focus leaves the text.
    if (reading.format !== 'unknown') area.current?.focus()
  }

  async function takeFiles(files: readonly File[]) {
    const faults: string[] = []
    for (const file of files) {
      if (isPhoto(file)) faults.push(...(await takePhoto(file)))
      else if (file.size > LARGEST) {
        faults.push(
          `${file.name} is ${Math.ceil(file.size / 1_000_000)} MB: no readout is that large, so it was not opened.`,
        )
      } else {
        const bytes = new Uint8Array(await file.arrayBuffer())
        faults.push(...faultsOf(file.name, readBytes(file.name, bytes)))
      }
    }
    setSaid(faults)
  }

  async function takePhoto(file: File): Promise<string[]> {
    if (file.size > PHOTO_LIMIT) {
      return [`${file.name} is larger than ${PHOTO_LIMIT / 1_000_000} MB, so it was not sent.`]
    }
    const caption = file.name.slice(0, 200)
    const answer = await addPhoto({ jobId: job.id, id: crypto.randomUUID(), caption, file })
    if (!answer.error) return []
    const refused = 'status' in answer.error && answer.error.status === 400
    return [
      refused
        ? `${file.name} is no picture that can be read.`
        : `${file.name}: the server does not answer. Drop it again later.`,
    ]
  }

  function pasted(event: ClipboardEvent) {
    const files = [...event.clipboardData.files]
    const clip = event.clipboardData.getData('text')
    if (files.length > 0) {
      event.preventDefault()
      void takeFiles(files)
    } else if (text === '' && clip.trim() !== '') {
      event.preventDefault()
      take('pasted', clip)
    }
  }

  function dropped(event: DragEvent) {
    event.preventDefault()
    setOver(false)
    void takeFiles([...event.dataTransfer.files])
  }

  return (
    <section
      ref={area}
      tabIndex={-1}
      aria-label="Read"
      onDragOver={(event) => {
        event.preventDefault()
        setOver(true)
      }}
      onDragLeave={() => setOver(false)}
      onDrop={dropped}
      className={`flex flex-col gap-2 rounded-sm border-2 border-dashed p-2 ${over ? 'border-gold-line bg-gold-soft' : 'border-rule-2'}`}
    >
      <label className="flex flex-col gap-1 text-sm">
        <span className="font-semibold">
          Paste or drop what the hardware says
          <span className="block font-normal text-ink-2">
            Labels, module contents, an SMBIOS table or listing, CIM in CSV or JSON, photos.
          </span>
        </span>
        <textarea
          rows={2}
          value={text}
          onChange={({ target }) => setText(target.value)}
          onPaste={pasted}
          placeholder="8GB 1Rx8 PC4-3200AA-SA2-11"
          className={`${inputLook} font-mono text-sm`}
        />
      </label>
      <div className="flex flex-wrap gap-2">
        <Button
          className="min-h-9"
          look={text.trim() === '' ? 'plain' : 'main'}
          disabled={text.trim() === ''}
          onClick={() => take('typed', text)}
        >
          Read it
        </Button>
        <Button className="min-h-9" onClick={() => chooser.current?.click()}>
          <FileUp size={16} aria-hidden /> Choose files
        </Button>
        <input
          ref={chooser}
          type="file"
          multiple
          aria-label="Files to read"
          className="hidden"
          onChange={({ target }) => {
            void takeFiles([...(target.files ?? [])])
            target.value = ''
          }}
        />
        {uploading && <span className="self-center text-sm text-ink-2">Sending the photo…</span>}
      </div>
      {said.length > 0 && (
        <ul role="alert" className="flex flex-col gap-1 text-sm font-medium text-stop">
          {said.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
      )}
      <ReadingList />
    </section>
  )
}

function faultsOf(name: string, { format, problems }: Reading): string[] {
  return format === 'unknown' ? problems.map(({ code }) => `${name}: ${PROBLEMS[code]}`) : []
}

/** What has been read on this job, each as it came. */
function ReadingList() {
  const { file } = useJob()
  const { drop } = useIdentify()
  if (file.readings.length === 0) return null
  return (
    <ul aria-label="Readings" className="flex flex-col">
      {file.readings.map((record) => {
        const reading = readingOf(record)
        return (
          <li key={record.id} className="border-t border-rule py-1 text-sm">
            <div className="flex items-start gap-2">
              <details className="min-w-0 flex-1">
                <summary className="cursor-pointer py-1">
                  <b className="font-semibold">{record.name}</b> · {gist(reading)}
                  <span className="text-ink-2">
                    {' '}
                    {record.by}
                    {record.createdAt ? ` ${ago(record.createdAt)}` : ''}
                  </span>
                </summary>
                <Source text={record.text} />
              </details>
              <button
                type="button"
                aria-label={`Remove the reading ${record.name}`}
                onClick={() => drop(record.id, record.version)}
                className="grid size-9 shrink-0 place-items-center rounded-sm hover:bg-stop-soft"
              >
                <Trash2 size={15} aria-hidden />
              </button>
            </div>
            <ProblemList problems={reading.problems} />
          </li>
        )
      })}
    </ul>
  )
}

const SHOWN = 4

function ProblemList({ problems }: { problems: readonly Problem[] }) {
  if (problems.length === 0) return null
  return (
    <ul className="text-risk">
      {problems.slice(0, SHOWN).map(({ code, where }, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: problems have no name and keep their order
        <li key={at}>
          {where ? `${placeOf(where)}: ` : ''}
          {PROBLEMS[code]}
        </li>
      ))}
      {problems.length > SHOWN && <li>and {problems.length - SHOWN} more of this kind.</li>}
    </ul>
  )
}

const LINES = 400

function Source({ text }: { text: string | null }) {
  if (text === null) return <p className="text-ink-2">Bytes; kept as they came.</p>
  const lines = text.split('\n')
  return (
    <ol className="max-h-56 overflow-auto bg-sheet-2 p-2 font-mono text-[0.8rem]">
      {lines.slice(0, LINES).map((line, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: lines are their numbers
        <li key={at} className="flex gap-2 whitespace-pre">
          <span className="w-8 shrink-0 text-right text-ink-2">{at + 1}</span>
          {line}
        </li>
      ))}
      {lines.length > LINES && <li>… {lines.length - LINES} more lines</li>}
    </ol>
  )
}
