import { Gauge } from 'lucide-react'
import { useEffect, useState } from 'react'
import { Link } from 'react-router'
import { API, api, useAppDispatch } from '../../data'
import { Button } from '../../ui'
import { useJob } from '../file'

/** How often the job is read anew while a code is out, ms. */
const LOOK = 3000

/** A short code for the probe; while it is out, what the probe sends appears by itself. */
export function ProbeCode() {
  const { file } = useJob()
  const dispatch = useAppDispatch()
  const [code, setCode] = useState<{ code: string; until: string } | null>(null)
  const [fault, setFault] = useState('')
  const count = file.measurements.length

  useEffect(() => {
    if (!code) return
    const timer = setInterval(() => {
      if (Date.now() > Date.parse(code.until)) setCode(null)
      dispatch(api.endpoints.job.initiate(file.id, { forceRefetch: true, subscribe: false }))
    }, LOOK)
    return () => clearInterval(timer)
  }, [code, dispatch, file.id])

  // biome-ignore lint/correctness/useExhaustiveDependencies: the code has done its work once something came
  useEffect(() => setCode(null), [count])

  async function make() {
    setFault('')
    try {
      const response = await fetch(`${API}/probe/codes`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ jobId: file.id }),
      })
      if (!response.ok) throw new Error()
      setCode(await response.json())
    } catch {
      setFault('The server does not answer. Try again in a moment.')
    }
  }

  return (
    <section aria-label="Probe" className="border-t border-rule pt-2">
      {code ? (
        <p>
          On the machine open{' '}
          <Link to="/probe" target="_blank" className="underline">
            {location.host}/probe
          </Link>{' '}
          and enter{' '}
          <b className="font-mono text-2xl tracking-widest" data-testid="probe-code">
            {code.code}
          </b>
          . Good for 30 minutes and one use; the runs appear here by themselves.
        </p>
      ) : (
        <Button onClick={make}>
          <Gauge size={17} aria-hidden /> Measure with the probe
        </Button>
      )}
      {fault && (
        <p role="alert" className="font-medium text-stop">
          {fault}
        </p>
      )}
    </section>
  )
}
