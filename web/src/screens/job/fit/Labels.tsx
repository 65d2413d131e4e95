import { slotHolding } from '@tembrix/core/records'
import { Printer } from 'lucide-react'
import QRCode from 'qrcode'
import { Button, day, today } from '../../../base/ui'
import { describeModule, organisation } from '../../../parts/board'
import { useJob } from '../file'
import { JobSheet } from '../sheet'
import { useFit } from './useFit'
import { DESTINATION_NAMES } from './words'

/** Labels to print: the job's ticket, a bag for each removed module, one for each that goes to the shelf. */
export function Labels() {
  return (
    <JobSheet step="fit" back="Back to the bench">
      <Sheet />
    </JobSheet>
  )
}

function Sheet() {
  const { file, machine, pieces } = useJob()
  const { fit, removed } = useFit()
  const { now } = useJob()
  const slotOf = (id: string) => slotHolding(now.assignment, { moduleId: id, unit: 0 })
  const address = `${location.origin}/jobs/${file.id}`
  return (
    <main className="mx-auto my-4 max-w-[52rem] bg-sheet p-6 print:m-0 print:max-w-none print:p-0">
      <div className="screen-only mb-4 flex items-center justify-between">
        <h1 className="text-xl font-semibold">Labels</h1>
        <Button look="main" onClick={() => window.print()}>
          <Printer size={17} aria-hidden /> Print
        </Button>
      </div>
      <div className="grid gap-3 sm:grid-cols-2 print:grid-cols-2">
        <Label title={`Job ${file.number}`} code={address} kind="Job ticket">
          <p>
            <b className="font-semibold">{file.customer.name}</b>
            {file.customer.phone && ` · ${file.customer.phone}`}
          </p>
          <p>{machine.name}</p>
          {file.machine.serialNumber && <p className="font-mono">{file.machine.serialNumber}</p>}
          {file.dueOn && <p>Due {day(file.dueOn)}</p>}
        </Label>
        {removed.map((id) => {
          const module = pieces.get(id)?.module
          if (!module) return null
          const serial = fit.serials[`${id} 0`]
          const goes = fit.removed[id]?.to
          return (
            <Label
              key={id}
              title={`Out of job ${file.number}`}
              code={address}
              kind={goes === 'shelf' ? 'Module label' : 'Bag label'}
            >
              <p>
                <b className="font-semibold">{describeModule(module)}</b> {organisation(module)}
              </p>
              <p>{module.article}</p>
              <p>
                {file.customer.name}
                {slotOf(id) && ` · slot ${slotOf(id)}`} · {day(today())}
              </p>
              {serial && <p className="font-mono">{serial}</p>}
              {goes && <p>{DESTINATION_NAMES[goes]}</p>}
            </Label>
          )
        })}
      </div>
    </main>
  )
}

interface LabelProps {
  kind: string
  title: string
  /** What the code opens. */
  code: string
  children: React.ReactNode
}

function Label({ kind, title, code, children }: LabelProps) {
  return (
    <section
      aria-label={kind}
      className="keep-together flex gap-3 border-2 border-ink p-3 text-[0.93rem] leading-snug"
    >
      <Code text={code} />
      <div className="min-w-0">
        <p className="text-xs">{kind}</p>
        <h2 className="text-lg font-bold">{title}</h2>
        {children}
      </div>
    </section>
  )
}

/** A square code as one path, dark on light whatever the theme, with the quiet margin it needs. */
function Code({ text }: { text: string }) {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: 'M' })
  const { size, data } = modules
  let path = ''
  for (let at = 0; at < data.length; at += 1) {
    if (data[at]) path += `M${at % size} ${Math.floor(at / size)}h1v1h-1z`
  }
  return (
    <svg
      viewBox={`-4 -4 ${size + 8} ${size + 8}`}
      className="size-28 shrink-0 bg-white"
      role="img"
      aria-label={`Code that opens ${text}`}
      data-text={text}
    >
      <path d={path} fill="#000" shapeRendering="crispEdges" />
    </svg>
  )
}
