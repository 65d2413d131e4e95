import { arrangementOf } from '@tembrix/core/shop/job'
import { PowerOff } from 'lucide-react'
import { useNavigate } from 'react-router'
import { useTechnician } from '../../../../base/shell'
import { Button } from '../../../../base/ui'
import { useJob } from './JobContext'
import { useVerification } from './useVerification'

/** “It does not start”: noted as the first that was seen, and on to the fault finder. */
export function NoStart({ label = 'It does not start' }: { label?: string }) {
  const { file, atBench } = useJob()
  const { record, set } = useVerification()
  const [technician] = useTechnician()
  const navigate = useNavigate()

  function note() {
    if (record.trials.length === 0) {
      const first = {
        id: crypto.randomUUID(),
        arrangement: arrangementOf(atBench.assignment),
        reseat: false,
        profile: atBench.settings.profile,
        depth: 'start' as const,
        action: null,
        unsure: false,
        code: '',
        outcome: { kind: 'NO_START' as const },
        at: new Date().toISOString(),
        by: technician,
      }
      set({ trials: [first] })
    }
    navigate(`/jobs/${file.id}/verify?tab=fault`)
  }

  return (
    <Button onClick={note}>
      <PowerOff size={17} aria-hidden /> {label}
    </Button>
  )
}
