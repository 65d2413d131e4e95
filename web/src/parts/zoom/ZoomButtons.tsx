import { Maximize, ZoomIn, ZoomOut } from 'lucide-react'
import { IconButton } from '../../base/ui'

/** Nearer and further, for who has no wheel and no two fingers free. */
export function ZoomButtons({
  nearer,
  further,
  whole,
}: {
  nearer: () => void
  further: () => void
  whole: () => void
}) {
  return (
    <div className="zoom absolute right-1 bottom-1 z-10 flex gap-1">
      <IconButton label="Zoom in" look="over" onClick={nearer}>
        <ZoomIn size={18} aria-hidden />
      </IconButton>
      <IconButton label="Zoom out" look="over" onClick={further}>
        <ZoomOut size={18} aria-hidden />
      </IconButton>
      <IconButton label="The whole picture" look="over" onClick={whole}>
        <Maximize size={18} aria-hidden />
      </IconButton>
    </div>
  )
}
