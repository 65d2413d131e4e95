import { Send } from 'lucide-react'
import { Button, ErrorText } from '../../../../base/ui'
import { Reach, useCode } from '../../base/byCode'
import { useJob } from '../../base/file'
import { CopyCommand } from './CopyCommand'

/** The report sent by the machine itself, in place of copying it over. */
export function ReportByCode() {
  const { file } = useJob()
  const count = file.readings.length
  const { code, make, reach, setReach, fault, setFault } = useCode(count)
  const address = reach?.address ? new URL(reach.address).origin : location.origin
  return (
    <section aria-label="Report by code" className="flex min-w-0 flex-col gap-2 text-sm">
      <h4 className="font-semibold">Sent by the machine itself</h4>
      {code ? (
        <>
          <p>
            Run one of these where the script was put. The code{' '}
            <b className="font-mono text-lg tracking-widest" data-testid="report-code">
              {code}
            </b>{' '}
            is good for 30 minutes and one use; the report appears here by itself.
          </p>
          <CopyCommand label="Prompt $ or #" command={`sudo sh collect.sh ${address} ${code}`} />
          <CopyCommand
            label="Prompt >"
            command={`powershell -ExecutionPolicy Bypass -File collect.ps1 -Address ${address} -Code ${code}`}
          />
          <Reach reach={reach} onReach={setReach} onFault={setFault} />
        </>
      ) : (
        <Button className="self-start" onClick={make}>
          <Send size={16} aria-hidden /> Make a code for it
        </Button>
      )}
      <ErrorText>{fault}</ErrorText>
    </section>
  )
}
