import { Maximize, ZoomIn, ZoomOut } from 'lucide-react'
import { IconButton } from '../../base/ui'

/** Nearer and further, for who has no wheel and no two fingers free. Beside what is zoomed: over it they would hide a part. */
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
    <div className="flex gap-1">
      <IconButton label="Zoom in" onClick={nearer}>
        <ZoomIn size={18} aria-hidden />
      </IconButton>
      <IconButton label="Zoom out" onClick={further}>
        <ZoomOut size={18} aria-hidden />
      </IconButton>
      <IconButton label="The whole picture" onClick={whole}>
        <Maximize size={18} aria-hidden />
      </IconButton>
    </div>
  )
}
