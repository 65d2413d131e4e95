import { Copy } from 'lucide-react'
import { useState } from 'react'
import { Button } from '../../../../base/ui'

interface Props {
  /** Fault and evidence. */
  text: string
}

/** What to tell the supplier of a bad module, ready to be sent. */
export function SupplierNote({ text }: Props) {
  const [copied, setCopied] = useState('')

  async function copy() {
    try {
      await navigator.clipboard.writeText(text)
      setCopied('Copied.')
    } catch {
      setCopied('The clipboard is closed here: mark the text and copy it.')
    }
  }

  return (
    <section aria-label="For the supplier" className="mt-2 bg-sheet p-2">
      <p className="text-[0.93rem] whitespace-pre-line select-all">{text}</p>
      <Button look="quiet" onClick={copy}>
        <Copy size={17} aria-hidden /> Copy
      </Button>
      <span aria-live="polite" className="text-sm">
        {copied}
      </span>
    </section>
  )
}
