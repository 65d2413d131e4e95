import QRCode from 'qrcode'

/** The quiet margin a square code needs, in its own squares. */
const QUIET = 4

/** A square code as one path, with the box it is drawn in. */
export function qrOf(text: string): { path: string; box: string } {
  const { size, data } = QRCode.create(text, { errorCorrectionLevel: 'M' }).modules
  let path = ''
  for (let at = 0; at < data.length; at += 1) {
    if (data[at]) path += `M${at % size} ${Math.floor(at / size)}h1v1h-1z`
  }
  const side = size + 2 * QUIET
  return { path, box: `${-QUIET} ${-QUIET} ${side} ${side}` }
}
