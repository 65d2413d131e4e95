/** The largest picture that is opened, in megapixels, and the longest side it is read at. */
const MOST_MEGAPIXELS = 80
const LONGEST = 1500
const SHORTEST = 900

export class NoPicture extends Error {}

/** A picture brought to a size that can be read. @throws NoPicture where it is none, or too large. */
export async function openPicture(file: Blob): Promise<ImageBitmap> {
  await refuseHuge(file)
  let bitmap: ImageBitmap
  try {
    bitmap = await createImageBitmap(file)
  } catch {
    throw new NoPicture('This is no picture that can be read.')
  }
  const { width, height } = bitmap
  if (width * height > MOST_MEGAPIXELS * 1e6) {
    bitmap.close()
    throw tooLarge()
  }
  if (width < 16 || height < 16) {
    bitmap.close()
    throw new NoPicture('This picture is too small to read anything from.')
  }
  return bitmap
}

const PNG = [0x89, 0x50, 0x4e, 0x47]
/** `IHDR`: behind it stand width and height. */
const HEADER = 0x49484452

/** A small file may hold a picture that fills the memory: its size stands at its beginning. */
async function refuseHuge(file: Blob): Promise<void> {
  const head = new DataView(await file.slice(0, 24).arrayBuffer())
  if (head.byteLength < 24 || !PNG.every((byte, at) => head.getUint8(at) === byte)) return
  if (head.getUint32(12) !== HEADER) return
  if (head.getUint32(16) * head.getUint32(20) > MOST_MEGAPIXELS * 1e6) throw tooLarge()
}

const tooLarge = () => new NoPicture(`This picture has more than ${MOST_MEGAPIXELS} megapixels.`)

/** A drawing of a picture, grey and with its contrast stretched, turned by so many degrees. */
export function greyTurned(bitmap: ImageBitmap, degrees: number): OffscreenCanvas {
  const longest = Math.max(bitmap.width, bitmap.height)
  const scale = longest > LONGEST ? LONGEST / longest : longest < SHORTEST ? SHORTEST / longest : 1
  const [w, h] = [bitmap.width * scale, bitmap.height * scale]
  const angle = (degrees * Math.PI) / 180
  const [sin, cos] = [Math.abs(Math.sin(angle)), Math.abs(Math.cos(angle))]
  const canvas = new OffscreenCanvas(
    Math.max(1, Math.round(w * cos + h * sin)),
    Math.max(1, Math.round(w * sin + h * cos)),
  )
  const context = drawing(canvas)
  context.fillStyle = '#808080'
  context.fillRect(0, 0, canvas.width, canvas.height)
  context.imageSmoothingQuality = 'high'
  context.translate(canvas.width / 2, canvas.height / 2)
  context.rotate(angle)
  context.drawImage(bitmap, -w / 2, -h / 2, w, h)
  context.resetTransform()
  const image = context.getImageData(0, 0, canvas.width, canvas.height)
  stretch(image.data)
  context.putImageData(image, 0, 0)
  return canvas
}

function drawing(canvas: OffscreenCanvas): OffscreenCanvasRenderingContext2D {
  const context = canvas.getContext('2d', { willReadFrequently: true })
  if (!context) throw new NoPicture('This browser cannot draw pictures in the background.')
  return context
}

/** Grey, with the darkest and lightest hundredth of the pixels as black and white. */
function stretch(data: Uint8ClampedArray): void {
  const counts = new Uint32Array(256)
  for (let at = 0; at < data.length; at += 4) {
    const grey =
      ((data[at] as number) * 77 +
        (data[at + 1] as number) * 150 +
        (data[at + 2] as number) * 29) >>
      8
    data[at] = grey
    counts[grey] = (counts[grey] as number) + 1
  }
  const hundredth = data.length / 400
  const low = edge(counts, hundredth, 0, 1)
  const high = Math.max(low + 1, edge(counts, hundredth, 255, -1))
  const factor = 255 / (high - low)
  for (let at = 0; at < data.length; at += 4) {
    const grey = ((data[at] as number) - low) * factor
    data[at] = grey
    data[at + 1] = grey
    data[at + 2] = grey
  }
}

/** Reach of the blur that is taken off, pixels, and how much of it. */
const SHARP = { reach: 3, amount: 1.5 }

/** The same drawing with its edges drawn out, for one that is out of focus. */
export function sharpened(canvas: OffscreenCanvas): OffscreenCanvas {
  const { width, height } = canvas
  const soft = drawing(new OffscreenCanvas(width, height))
  soft.filter = `blur(${SHARP.reach}px)`
  soft.drawImage(canvas, 0, 0)
  const blurred = soft.getImageData(0, 0, width, height).data
  const sharp = drawing(new OffscreenCanvas(width, height))
  sharp.drawImage(canvas, 0, 0)
  const image = sharp.getImageData(0, 0, width, height)
  for (let at = 0; at < image.data.length; at += 4) {
    const own = image.data[at] as number
    const grey = own + (own - (blurred[at] as number)) * SHARP.amount
    for (const part of [0, 1, 2]) image.data[at + part] = grey
  }
  sharp.putImageData(image, 0, 0)
  return sharp.canvas
}

function edge(counts: Uint32Array, share: number, from: number, step: number): number {
  let sum = 0
  for (let grey = from; grey >= 0 && grey < 256; grey += step) {
    sum += counts[grey] as number
    if (sum > share) return grey
  }
  return from
}

/** Tilts that are tried, degrees. */
const TILTS = Array.from({ length: 51 }, (_, at) => at - 25)
const PROFILE_SIDE = 420
/** A change in brightness from which on it may be a letter's edge. */
const EDGE = 24

/** How the lines of a picture run: by how many degrees they are tilted, and how clearly there are lines at all. */
export interface LineTilt {
  tilt: number
  clearness: number
}

/**
 * The tilt of a picture's lines of text, -25 to 25 degrees, taken along its width or its height:
 * where the edges summed along lines change most from line to line, letters stand on them.
 */
export function linesIn(bitmap: ImageBitmap, along: 'width' | 'height'): LineTilt {
  const { grey, width, height } = small(bitmap)
  const flat = along === 'width'
  const edges: { along: number; across: number; weight: number }[] = []
  let all = 0
  for (let y = 1; y < height - 1; y += 1) {
    for (let x = 1; x < width - 1; x += 1) {
      const weight = flat
        ? Math.abs(grey(x, y + 1) - grey(x, y - 1))
        : Math.abs(grey(x + 1, y) - grey(x - 1, y))
      if (weight <= EDGE) continue
      edges.push(flat ? { along: x, across: y, weight } : { along: y, across: x, weight })
      all += weight
    }
  }
  const size = (flat ? height : width) * 2
  const sign = flat ? 1 : -1
  const score = (tilt: number) => {
    const slope = Math.tan((tilt * Math.PI) / 180) * sign
    const sums = new Float64Array(size)
    for (const { along, across, weight } of edges) {
      const line = Math.round(across - along * slope + size / 4)
      if (line >= 0 && line < size) sums[line] = (sums[line] as number) + weight
    }
    let total = 0
    for (let at = 1; at < size; at += 1) {
      total += ((sums[at] as number) - (sums[at - 1] as number)) ** 2
    }
    return total
  }
  let best = { tilt: 0, total: score(0) }
  for (const tilt of TILTS) {
    const total = score(tilt)
    if (total > best.total * 1.02) best = { tilt, total }
  }
  return { tilt: best.tilt, clearness: all > 0 ? best.total / all : 0 }
}

function small(picture: ImageBitmap | OffscreenCanvas) {
  const scale = PROFILE_SIDE / Math.max(picture.width, picture.height)
  const width = Math.max(8, Math.round(picture.width * scale))
  const height = Math.max(8, Math.round(picture.height * scale))
  const context = drawing(new OffscreenCanvas(width, height))
  context.imageSmoothingQuality = 'high'
  context.drawImage(picture, 0, 0, width, height)
  const { data } = context.getImageData(0, 0, width, height)
  const grey = (x: number, y: number) => data[(y * width + x) * 4 + 1] as number
  return { grey, width, height, scale }
}

const BLOCK = 12
/** A block with at least this share of the most edges belongs to what is printed. */
const PRINTED = 0.25

/** The part of a picture that letters stand in: around the blocks that are full of edges. */
export function cropped(canvas: OffscreenCanvas): OffscreenCanvas {
  const { grey, width, height, scale } = small(canvas)
  const blocks = new Map<string, { bx: number; by: number; sum: number }>()
  let most = 0
  for (let y = 1; y < height - 1; y += 1) {
    for (let x = 1; x < width - 1; x += 1) {
      const change = Math.abs(grey(x + 1, y) - grey(x - 1, y))
      if (change <= EDGE) continue
      const [bx, by] = [Math.floor(x / BLOCK), Math.floor(y / BLOCK)]
      const key = `${bx} ${by}`
      const block = blocks.get(key) ?? { bx, by, sum: 0 }
      block.sum += change
      blocks.set(key, block)
      most = Math.max(most, block.sum)
    }
  }
  const printed = [...blocks.values()].filter(({ sum }) => sum >= most * PRINTED)
  if (printed.length === 0) return canvas
  const edge = (value: number) => Math.round((value * BLOCK) / scale)
  const x0 = Math.max(0, edge(Math.min(...printed.map(({ bx }) => bx)) - 1))
  const y0 = Math.max(0, edge(Math.min(...printed.map(({ by }) => by)) - 1))
  const x1 = Math.min(canvas.width, edge(Math.max(...printed.map(({ bx }) => bx)) + 2))
  const y1 = Math.min(canvas.height, edge(Math.max(...printed.map(({ by }) => by)) + 2))
  if (x1 - x0 < 40 || y1 - y0 < 20) return canvas
  const part = new OffscreenCanvas(x1 - x0, y1 - y0)
  drawing(part).drawImage(canvas, -x0, -y0)
  return part
}
