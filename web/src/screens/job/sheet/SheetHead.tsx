import { Printer } from 'lucide-react'
import type { ReactNode } from 'react'
import { Button } from '../../../base/ui'

interface Props {
  shop: { shopName: string; address: string }
  title: string
  customerName: string
  machineName: string
  number: number
  /** Beside the job’s number: version, day, validity. */
  children: ReactNode
}

/** The head of a paper for the customer: whose it is, what it is, for whom; and the button that prints it. */
export function SheetHead({ shop, title, customerName, machineName, number, children }: Props) {
  const { shopName, address } = shop
  return (
    <header className="mb-4 flex items-start justify-between gap-6 border-b-2 border-ink pb-3">
      <div>
        {shopName && <p className="font-semibold">{shopName}</p>}
        {address && <p className="text-sm whitespace-pre-line">{address}</p>}
        <h1 className="mt-3 text-2xl font-bold">{title}</h1>
        <p>
          for <b className="font-semibold">{customerName}</b> · {machineName}
        </p>
      </div>
      <div className="text-right text-sm">
        <span>
          Job <b className="font-mono">{number}</b>
        </span>
        {children}
        <Button look="main" className="screen-only mt-2" onClick={() => window.print()}>
          <Printer size={17} aria-hidden /> Print
        </Button>
      </div>
    </header>
  )
}
