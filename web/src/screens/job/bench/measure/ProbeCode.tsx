import { Gauge } from 'lucide-react'
import { Link } from 'react-router'
import { Button, ErrorText } from '../../../../base/ui'
import { Reach, useCode } from '../../base/byCode'
import { useJob } from '../../base/file'

/** A short code for the probe; while it is out, what the probe sends appears by itself. */
export function ProbeCode() {
  const { file } = useJob()
  const { code, make, reach, setReach, fault, setFault } = useCode(file.measurements.length)
  return (
    <section aria-label="Probe" className="border-t border-rule pt-2">
      {code ? (
        <p>
          On the machine open{' '}
          {reach?.address ? (
            <b className="font-mono font-semibold">{reach.address}</b>
          ) : (
            <Link
              to="/probe"
              target="_blank"
              className="inline-flex min-h-11 items-center underline"
            >
              {location.host}/probe
            </Link>
          )}{' '}
          and enter{' '}
          <b className="font-mono text-2xl tracking-widest" data-testid="probe-code">
            {code}
          </b>
          . Good for 30 minutes and one use; the runs appear here by themselves.
        </p>
      ) : (
        <Button onClick={make}>
          <Gauge size={17} aria-hidden /> Measure with the probe
        </Button>
      )}
      {code && <Reach reach={reach} onReach={setReach} onFault={setFault} />}
      <ErrorText>{fault}</ErrorText>
    </section>
  )
}
