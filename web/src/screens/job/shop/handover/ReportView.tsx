import { partOf } from '@tembrix/core/shop/handover'
import { type Paragraph, SECTIONS, type Section } from '@tembrix/core/things/records'
import { PencilLine, RotateCcw } from 'lucide-react'
import { lazy, Suspense, useState } from 'react'
import { Button, Waiting } from '../../../../base/ui'
import type { HandingOver } from './useHandover'
import { SECTION_NAMES } from './words'

const WordingEditor = lazy(() => import('./WordingEditor'))

/** The report part by part, to be put into the shop's own words; its figures stay those of the record. */
export function ReportView({ handing }: { handing: HandingOver }) {
  const { document, handover } = handing
  if (!handover.signed) {
    return (
      <section aria-label="Report" className="flex flex-col gap-3">
        {SECTIONS.map((section) => (
          <Part key={section} section={section} handing={handing} />
        ))}
      </section>
    )
  }
  return (
    <section aria-label="Report" className="flex flex-col gap-3">
      {document.sections.map(({ section, paragraphs }) => (
        <div key={section}>
          <h3 className="font-semibold">{SECTION_NAMES[section]}</h3>
          {paragraphs.map((text, at) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: paragraphs keep their places
            <p key={at} className="mb-1">
              {text}
            </p>
          ))}
        </div>
      ))}
    </section>
  )
}

function Part({ section, handing }: { section: Section; handing: HandingOver }) {
  const { handover, written, figures, set } = handing
  const [open, setOpen] = useState(false)
  const own = handover.wording[section] !== undefined
  const paragraphs = partOf(section, handover.wording, written)
  const name = SECTION_NAMES[section]

  function write(changed: readonly Paragraph[] | null) {
    const { [section]: _, ...others } = handover.wording
    const wording = changed ? { ...others, [section]: [...changed] } : others
    set({ wording }, changed ? `wording ${section}` : undefined)
  }

  return (
    <section aria-label={name}>
      <div className="flex flex-wrap items-center gap-x-2">
        <h3 className="mr-auto font-semibold">{name}</h3>
        {own && (
          <Button look="quiet" onClick={() => write(null)}>
            <RotateCcw size={15} aria-hidden /> Write it from the record again
          </Button>
        )}
        <Button
          look="quiet"
          aria-label={open ? `Done with: ${name}` : `Change the words: ${name}`}
          onClick={() => setOpen(!open)}
        >
          <PencilLine size={15} aria-hidden /> {open ? 'Done' : 'Change the words'}
        </Button>
      </div>
      {open ? (
        <Suspense fallback={<Waiting>Opening the editor…</Waiting>}>
          <WordingEditor label={name} paragraphs={paragraphs} figures={figures} onChange={write} />
        </Suspense>
      ) : paragraphs.length === 0 ? (
        <p className="text-ink-2">Nothing is said.</p>
      ) : (
        paragraphs.map((paragraph, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: paragraphs keep their places
          <p key={at} className="mb-1">
            <Stretches paragraph={paragraph} figures={figures} />
          </p>
        ))
      )}
    </section>
  )
}

function Stretches({
  paragraph,
  figures,
}: {
  paragraph: Paragraph
  figures: HandingOver['figures']
}) {
  return paragraph.map((stretch, at) => {
    if (typeof stretch === 'string') return stretch
    const value = figures[stretch.figure]
    return (
      <b
        // biome-ignore lint/suspicious/noArrayIndexKey: stretches of a paragraph keep their places
        key={at}
        title={stretch.figure}
        className={`font-semibold ${value === undefined ? 'text-stop' : ''}`}
      >
        {value ?? `no ${stretch.figure} on record`}
      </b>
    )
  })
}
