import { modulesRead, read } from '@tembrix/core/reading/inputs'
import { useDeferredValue, useMemo, useState } from 'react'
import { plural } from '../../base/format'
import { Field, TextInput } from '../../base/ui'
import { FactTable, PROBLEMS, placeOf } from '../../parts/facts'
import { Card } from './Card'

/** Reads labels, or anything else Identify reads, without a job. */
export function LabelReader() {
  const [text, setText] = useState('8GB 2Rx8 PC3L-12800S-11-13-B4')
  const asked = useDeferredValue(text)
  const { observations, problems } = useMemo(() => read(asked), [asked])
  const modules = modulesRead(observations)
  return (
    <Card title="Label reader" className="md:col-span-2">
      <Field label="Label, one or many lines">
        {(control) => (
          <TextInput
            {...control}
            lines={2}
            className="font-mono"
            value={text}
            onValue={(typed) => setText(typed.slice(0, 200_000))}
          />
        )}
      </Field>
      {text.trim() !== '' && (
        <>
          <div className="grid gap-4 sm:grid-cols-2">
            {modules.slice(0, 6).map((about, at) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: modules in the order of the text
              <FactTable key={at} about={about} />
            ))}
          </div>
          {modules.length > 6 && (
            <p className="text-ink-2">and {plural(modules.length - 6, 'module')} more.</p>
          )}
          <ul aria-label="Problems" className="text-sm text-risk">
            {problems.slice(0, 6).map(({ code, where }, at) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: problems in the order of the text
              <li key={at}>
                {where ? `${placeOf(where)}: ` : ''}
                {PROBLEMS[code]}
              </li>
            ))}
          </ul>
        </>
      )}
    </Card>
  )
}
