import QRCode from 'qrcode'
import { useEffect, useState } from 'react'
import { API } from '../../../../base/data'
import { Button } from '../../../../base/ui'

/** Whether the probe can be reached from the shop's network, and where. */
export interface Reached {
  configured: boolean
  address: string | null
}

interface ReachProps {
  reach: Reached | null
  onReach: (reach: Reached) => void
  onFault: (why: string) => void
}

/** Switches the probe's own address in the shop's network on and off; a phone can take it from the square. */
export function Reach({ reach, onReach, onFault }: ReachProps) {
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
        This reaches only the shop’s own computer. Started with TEMBRIX_PROBE, such as 0.0.0.0:4311,
        the probe alone can be opened from the customer’s machine.
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
