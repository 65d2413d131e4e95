import { useState } from 'react'
import { useShopHistoryQuery } from '../../base/data'
import { Disclosure } from '../../base/ui'
import { HistoryLines } from '../../parts/history'

/** Who changed the settings when. */
export function Changes() {
  const [open, setOpen] = useState(false)
  const { data, error } = useShopHistoryQuery(undefined, { skip: !open })
  return (
    <Disclosure onOpen={setOpen} summary={<span className="font-semibold">What was changed</span>}>
      {error && <p className="text-ink-2">The server does not answer.</p>}
      <HistoryLines lines={data ?? []} />
    </Disclosure>
  )
}
