import type { Reading } from '@tembrix/core/reading/inputs'
import { PHOTO_LIMIT } from '@tembrix/core/things/records'
import { Camera, FileUp } from 'lucide-react'
import { type ClipboardEvent, type DragEvent, type KeyboardEvent, useState } from 'react'
import { useDropzone } from 'react-dropzone'
import { Button, FileDrop, inputLook } from '../../../../base/ui'
import { PROBLEMS, placeOf } from '../../../../parts/facts'
import { useAddPhoto, useJob } from '../../base/file'
import { SimulatedFound } from '../../base/simulated'
import { GetReport } from './GetReport'
import { LabelPhoto } from './LabelPhoto'
import { ReadingList } from './ReadingList'
import { useDraft } from './useDraft'
import { useIdentify } from './useIdentify'

/** The largest text or file that is opened as a report, characters or bytes. */
const LARGEST = 1_500_000

const isPhoto = (file: File) => file.type.startsWith('image/')

/** One place for everything that can be read: pasted, dropped, chosen or photographed, several at once. */
export function ReadArea() {
  const { file: job, machine, evidence } = useJob()
  const { readText, readFiles } = useIdentify()
  const addPhoto = useAddPhoto()
  const [text, setText] = useDraft(job.id)
  const [slot, setSlot] = useState<string | null>(null)
  const [said, setSaid] = useState<string[]>([])
  const [pictures, setPictures] = useState<{ id: string; file: File }[]>([])
  const { getRootProps, rootRef, isDragActive } = useDropzone({
    noClick: true,
    noKeyboard: true,
    onDrop: (files) => void takeFiles(files),
  })
  const free = machine.slots.filter(({ id }) => evidence.states[id] !== 'filled')

  function take(name: string, typed: string) {
    if (typed.trim() === '') return
    if (typed.length > LARGEST) {
      setSaid([`${name}: too long. A report is at most ${LARGEST / 1000} thousand characters.`])
      setText(typed)
      return
    }
    const reading = readText(name, typed, slot)
    setSaid(faultsOf(name, reading))
    // What cannot be read stays here: nothing is lost.
    setText(reading.format === 'unknown' ? typed : '')
    if (reading.format === 'unknown') return
    setSlot(null)
    // What was read is settled by keys next, so the focus leaves the text.
    rootRef.current?.focus()
  }

  async function takeFiles(files: readonly File[]) {
    const faults: string[] = []
    const reports: { name: string; bytes: Uint8Array }[] = []
    for (const file of files) {
      if (isPhoto(file)) faults.push(...(await takePhoto(file)))
      else if (file.size > LARGEST) {
        faults.push(
          `${file.name} is ${Math.ceil(file.size / 1_000_000)} MB: no report is that large, so it was not opened.`,
        )
      } else {
        reports.push({ name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) })
      }
    }
    const read = readFiles(reports)
    setSaid([...faults, ...read.flatMap((one, at) => faultsOf(reports[at]?.name ?? '', one))])
  }

  /** A picture is kept with the job, and what is printed on it is read on the spot. */
  async function takePhoto(file: File): Promise<string[]> {
    const taken = await addPhoto(file)
    // One in a form that is not kept may yet be read.
    if ('id' in taken || file.size <= PHOTO_LIMIT) {
      setPictures((now) => [...now, { id: crypto.randomUUID(), file }])
    }
    return 'id' in taken ? [] : [taken.fault]
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

  function dropped({ dataTransfer }: DragEvent) {
    if (dataTransfer.files.length === 0) take('dropped', dataTransfer.getData('text'))
  }

  function keyed(event: KeyboardEvent) {
    if (event.key !== 'Enter' || !(event.ctrlKey || event.metaKey)) return
    event.preventDefault()
    take('typed', text)
  }

  return (
    <section
      {...getRootProps({ onDrop: dropped, role: undefined, tabIndex: -1 })}
      aria-label="Read"
      className={`flex flex-col gap-2 rounded-sm border-2 border-dashed p-2 ${isDragActive ? 'border-gold-line bg-gold-soft' : 'border-rule-2'}`}
    >
      <label className="flex flex-col gap-1">
        <span className="font-semibold">
          Paste, drop or photograph what the hardware says
          <span className="block text-sm font-normal text-ink-2">
            A whole console session, a label, a shop’s line, bytes, a file. Ctrl+Enter reads; what
            cannot be read stays here.
          </span>
        </span>
        <textarea
          rows={job.readings.length === 0 ? 10 : 4}
          value={text}
          onChange={({ target }) => setText(target.value)}
          onPaste={pasted}
          onKeyDown={keyed}
          spellCheck={false}
          aria-keyshortcuts="Control+Enter"
          placeholder={'8GB 1Rx8 PC4-3200AA-SA2-11\n32GB kit (2 x 16GB) DDR5-6000 CL36 1.35V UDIMM'}
          className={`${inputLook} font-mono text-sm`}
        />
      </label>
      {text.trim() !== '' && free.length > 0 && (
        <fieldset className="flex flex-wrap items-center gap-1.5 text-sm">
          <legend className="float-left mr-1.5">A label of the module in</legend>
          {free.map(({ id }) => (
            <Button
              key={id}
              look={slot === id ? 'main' : 'plain'}
              aria-pressed={slot === id}
              className="min-w-11 px-2.5 font-mono"
              onClick={() => setSlot(slot === id ? null : id)}
            >
              {id}
            </Button>
          ))}
        </fieldset>
      )}
      <div className="flex flex-wrap gap-1.5">
        <Button
          className="px-2.5"
          look={text.trim() === '' ? 'plain' : 'main'}
          disabled={text.trim() === ''}
          onClick={() => take('typed', text)}
        >
          Read it
        </Button>
        <FileDrop
          label="Photo of a label"
          accept="image/*"
          camera
          className="px-2.5"
          onFiles={(files) => void takeFiles(files)}
        >
          <Camera size={17} aria-hidden /> Photo of a label
        </FileDrop>
        <FileDrop
          label="Files to read"
          multiple
          className="px-2.5"
          onFiles={(files) => void takeFiles(files)}
        >
          <FileUp size={17} aria-hidden /> Files
        </FileDrop>
      </div>
      {said.length > 0 && (
        <ul role="alert" className="flex flex-col gap-1 text-sm font-medium text-stop">
          {said.map((one) => (
            <li key={one}>{one}</li>
          ))}
        </ul>
      )}
      {pictures.map(({ id, file }) => (
        <LabelPhoto
          key={id}
          file={file}
          onRead={(typed) => take(file.name, typed)}
          onClose={() => setPictures((now) => now.filter((one) => one.id !== id))}
        />
      ))}
      <GetReport />
      <SimulatedFound
        onReport={(bytes) => {
          const read = readFiles([{ name: 'simulated report', bytes }])
          setSaid(read.flatMap((one) => faultsOf('report', one)))
        }}
      />
      <ReadingList />
    </section>
  )
}

/** The most faults of one input that are told beside it. */
const TOLD = 4

function faultsOf(name: string, { format, problems }: Reading): string[] {
  if (format !== 'unknown') return []
  const lines = problems.slice(0, TOLD).map(({ code, where }) => {
    const place = where ? `, ${placeOf(where)}` : ''
    return `${name}${place}: ${PROBLEMS[code]}`
  })
  const more = problems.length - TOLD
  return more > 0 ? [...lines, `and ${more} more lines.`] : lines
}
