import { withProcessor } from '@tembrix/core/things/machines'
import { useTechnician } from '../../../../base/shell'
import { Button, callout } from '../../../../base/ui'
import { useJob } from '../../base/file'

/** A processor that a system report names and the record does not: one press puts it in the record. */
export function ProcessorFound() {
  const { file, evidence, edit } = useJob()
  const { machine } = file.machine
  const [technician] = useTechnician()
  const name = evidence.system?.processor
  if (!name || name === machine.processor) return null
  function take(processor: string) {
    const origin = {
      source: 'readout' as const,
      note: '',
      by: technician,
      at: new Date().toISOString(),
    }
    edit.step('machines', file.machine, {
      machine: withProcessor(machine, processor),
      sources: { ...file.machine.sources, processor: origin },
    })
  }
  return (
    <section aria-label="Processor read" className={callout({ tone: 'ask' })}>
      <p className="text-[0.93rem]">
        A system report names the processor <b className="font-semibold">{name}</b>
        {machine.processor && `; the record says ${machine.processor}`}. The controller’s ratings
        hang on it.
      </p>
      <Button className="mt-1" onClick={() => take(name)}>
        Put it in the record
      </Button>
    </section>
  )
}
