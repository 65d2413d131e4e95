import { useEffect, useRef } from 'react'
import Pad from 'signature_pad'
import { Button } from '../../../../base/ui'

/** A field to sign on by hand; what is drawn is given as a PNG picture, null when it is wiped. */
export default function SignaturePad({ onDrawn }: { onDrawn: (picture: string | null) => void }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const pad = useRef<Pad | null>(null)
  useEffect(() => {
    if (!canvas.current) return
    const made = new Pad(canvas.current, { penColor: '#000', backgroundColor: '#fff' })
    pad.current = made
    const drawn = () => onDrawn(made.toDataURL('image/png'))
    made.addEventListener('endStroke', drawn)
    return () => {
      made.removeEventListener('endStroke', drawn)
      made.off()
    }
  }, [onDrawn])
  return (
    <div className="flex flex-col items-start gap-2">
      <canvas
        ref={canvas}
        width={480}
        height={160}
        aria-label="Signature"
        className="w-full max-w-[480px] touch-none border border-rule-2 bg-white"
      />
      <Button
        onClick={() => {
          pad.current?.clear()
          onDrawn(null)
        }}
      >
        Wipe it
      </Button>
    </div>
  )
}
