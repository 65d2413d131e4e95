import { interleaveShown } from '@tembrix/core/shop/job'
import { useMemo } from 'react'
import { CHOICES, tidy } from '../../../../base/format'
import { useTechnician } from '../../../../base/shell'
import { Button, callout } from '../../../../base/ui'
import { useJob } from '../../base/file'

/** Proposes the interleaving that measured copies show, for the machine's record. */
export function InterleaveProposal() {
  const { file, machine, now, planned, edit } = useJob()
  const [technician] = useTechnician()
  const shown = useMemo(() => interleaveShown({ file, now, planned }), [file, now, planned])
  if (!shown || shown.interleave === machine.interleave) return null
  const { interleave, ratio } = shown
  const share = `${tidy(Math.abs(ratio - 1) * 100, 0)} %`
  const what = ratio < 1 ? `fell by ${share}` : `rose by ${share}`
  const note = `copy bandwidth ${what} with unequal channels`
  function take() {
    const origin = { source: 'typed' as const, note, by: technician, at: new Date().toISOString() }
    edit.step('machines', file.machine, {
      machine: { ...file.machine.machine, interleave },
      sources: { ...file.machine.sources, interleave: origin },
    })
  }
  return (
    <section aria-label="Channel interleaving" className={callout({ tone: 'ask' })}>
      <p className="text-[0.93rem]">
        The copy bandwidth {what} when the channels became unequal. So this controller interleaves{' '}
        <b className="font-semibold">{CHOICES.interleave[interleave]}</b>. The record says{' '}
        {machine.interleave === 'unknown'
          ? 'that nobody knows'
          : CHOICES.interleave[machine.interleave]}
        .
      </p>
      <Button className="mt-1" onClick={take}>
        Put it in the machine’s record
      </Button>
    </section>
  )
}
