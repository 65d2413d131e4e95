import { Gauge } from 'lucide-react'
import QRCode from 'qrcode'
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
  const [reach, setReach] = useState<Reached | null>(null)
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
      const state = await fetch(`${API}/probe/listener`)
      if (state.ok) setReach(await state.json())
    } catch {
      setFault('The server does not answer. Try again in a moment.')
    }
  }

  return (
    <section aria-label="Probe" className="border-t border-rule pt-2">
      {code ? (
        <p>
          On the machine open{' '}
          {reach?.address ? (
            <b className="font-mono font-semibold">{reach.address}</b>
          ) : (
            <Link to="/probe" target="_blank" className="underline">
              {location.host}/probe
            </Link>
          )}{' '}
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
      {code && <Reach reach={reach} onReach={setReach} onFault={setFault} />}
      {fault && (
        <p role="alert" className="font-medium text-stop">
          {fault}
        </p>
      )}
    </section>
  )
}

/** Whether the probe can be reached from the shop's network, and where. */
interface Reached {
  configured: boolean
  address: string | null
}

interface ReachProps {
  reach: Reached | null
  onReach: (reach: Reached) => void
  onFault: (why: string) => void
}

/** Switches the probe's own address in the shop's network on and off; a phone can take it from the square. */
function Reach({ reach, onReach, onFault }: ReachProps) {
  const [square, setSquare] = useState('')
  const address = reach?.address ?? null
  useEffect(() => {
    setSquare('')
    if (address) void QRCode.toDataURL(address, { margin: 1, scale: 4 }).then(setSquare)
  }, [address])

  async function set(on: boolean) {
    onFault('')
    const response = await fetch(`${API}/probe/listener`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ on }),
    })
    const answer = await response.json()
    if (response.ok) onReach(answer)
    else onFault(answer?.error?.message ?? 'The server did not accept it.')
  }

  if (!reach) return null
  if (!reach.configured) {
    return (
      <p className="text-sm text-ink-2">
        This reaches only a browser on the shop’s own computer. Started with TEMBRIX_PROBE, such as
        0.0.0.0:4311, the probe alone can be opened from the customer’s machine.
      </p>
    )
  }
  return address ? (
    <div className="flex items-center gap-3">
      {square && <img src={square} alt={`Square code of ${address}`} className="size-28" />}
      <div>
        <p className="text-sm text-ink-2">
          Only the probe is served there, for as long as it is used.
        </p>
        <Button onClick={() => set(false)}>Switch it off</Button>
      </div>
    </div>
  ) : (
    <Button onClick={() => set(true)}>Let machines in the shop’s network reach it</Button>
  )
}
