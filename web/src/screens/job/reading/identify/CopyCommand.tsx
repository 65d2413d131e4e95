import { Check, Copy } from 'lucide-react'
import { useState } from 'react'
import { Button } from '../../../../base/ui'

/** A command to copy. */
export function CopyCommand({ label, command }: { label: string; command: string }) {
  const [copied, setCopied] = useState(false)
  return (
    <div>
      <span className="text-ink-2">{label}</span>
      <div className="flex items-center gap-1">
        <code className="min-w-0 flex-1 bg-sheet-2 px-1.5 py-1 font-mono text-[0.8rem] break-all select-all">
          {command}
        </code>
        <Button
          look="quiet"
          className="px-2.5"
          aria-label={`Copy: ${command}`}
          onClick={() => {
            navigator.clipboard?.writeText(command).then(
              () => setCopied(true),
              () => setCopied(false),
            )
          }}
        >
          {copied ? <Check size={16} aria-hidden /> : <Copy size={16} aria-hidden />}
        </Button>
      </div>
      <span aria-live="polite" className="sr-only">
        {copied ? 'Copied.' : ''}
      </span>
    </div>
  )
}
