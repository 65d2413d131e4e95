import { seenIn } from '@tembrix/core/bench/diagnose'
import {
  modulesRead,
  type Reading,
  read,
  SYSTEM,
  saidOfSubject,
} from '@tembrix/core/reading/inputs'
import type { ErrorLog } from '@tembrix/core/things/model'
import type { Verification } from '@tembrix/core/things/records'
import { FileUp } from 'lucide-react'
import { useState } from 'react'
import { plural } from '../../../../base/format'
import { Button, Disclosure, Field, FileDrop, TextInput } from '../../../../base/ui'
import { useJob } from '../../base/file'

interface Props {
  onSeen: (changes: Partial<Verification['seen']>) => void
  /** The system’s error log, where the text holds it. */
  onErrors: (log: ErrorLog) => void
}

const LARGEST = 2_000_000

/** Fills in what a system report of the machine as it is now says, pasted or from a file. */
export function FromReadout({ onSeen, onErrors }: Props) {
  const { machine } = useJob()
  const [text, setText] = useState('')
  const [said, setSaid] = useState('')

  function take(reading: Reading) {
    const seen = seenIn(reading, machine)
    const { errorLog } = saidOfSubject(reading.observations, SYSTEM)
    if (errorLog) onErrors(errorLog)
    if (!seen && errorLog) {
      setSaid('Error log read.')
      setText('')
      return
    }
    if (!seen) {
      setSaid(
        'Nothing of that could be read. Give a system report, or the lines of the setup or a clock tool.',
      )
      return
    }
    const modules = modulesRead(reading.observations)
    setSaid(modules.length > 0 ? `${plural(modules.length, 'module')} read.` : 'Clocks read.')
    setText('')
    onSeen(seen)
  }

  async function takeFile(file: File | undefined) {
    if (!file) return
    if (file.size > LARGEST) setSaid(`${file.name} is too large for a system report.`)
    else take(read(new Uint8Array(await file.arrayBuffer())))
  }

  return (
    <Disclosure
      className="border-b border-rule"
      summary={
        <span className="font-semibold">
          From a system report or the setup of the machine as it is now
        </span>
      }
    >
      <div className="flex flex-col gap-2 pb-2">
        <Field
          label="Paste it"
          hint={
            said ||
            'A system report, the system’s error log, or lines as a setup or a clock tool shows them: frequency, CL, channels.'
          }
        >
          {(control) => (
            <TextInput
              {...control}
              lines={3}
              className="font-mono text-sm"
              value={text}
              onValue={(typed) => setText(typed.slice(0, 200_000))}
            />
          )}
        </Field>
        <div className="flex gap-2">
          <Button disabled={text.trim() === ''} onClick={() => take(read(text))}>
            Fill in
          </Button>
          <FileDrop
            label="System report as a file"
            look="quiet"
            onFiles={([file]) => void takeFile(file)}
          >
            <FileUp size={17} aria-hidden /> From a file
          </FileDrop>
        </div>
      </div>
    </Disclosure>
  )
}
