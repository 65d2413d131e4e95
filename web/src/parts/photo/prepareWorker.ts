import { prepareZXingModule, readBarcodes } from 'zxing-wasm/reader'
import codesAddress from 'zxing-wasm/reader/zxing_reader.wasm?url'
import {
  cropped,
  greyTurned,
  type LineTilt,
  linesIn,
  NoPicture,
  openPicture,
  sharpened,
} from './prepare'

/** What is asked of the worker: open a picture, turn it, look for codes in it. */
export type PhotoRequest =
  | { id: number; kind: 'open'; file: Blob }
  | { id: number; kind: 'turn'; quarter: number; sharp: boolean }
  | { id: number; kind: 'codes' }

export type PhotoAnswer =
  | { id: number; ok: true; value: unknown }
  | { id: number; ok: false; message: string; noPicture: boolean }

/** Whether lines of text seem to run along the picture’s width. */
export interface OpenedPhoto {
  upright: boolean
}

let picture: ImageBitmap | null = null
const LEVEL: LineTilt = { tilt: 0, clearness: 0 }
let lines: [LineTilt, LineTilt] = [LEVEL, LEVEL]

prepareZXingModule({
  overrides: { locateFile: (path: string) => (path.endsWith('.wasm') ? codesAddress : path) },
})

self.onmessage = async ({ data }: MessageEvent<PhotoRequest>) => {
  try {
    self.postMessage({ id: data.id, ok: true, value: await answer(data) } satisfies PhotoAnswer)
  } catch (error) {
    const message = error instanceof Error ? error.message : 'The picture cannot be read.'
    const noPicture = error instanceof NoPicture
    self.postMessage({ id: data.id, ok: false, message, noPicture } satisfies PhotoAnswer)
  }
}

async function answer(asked: PhotoRequest): Promise<unknown> {
  if (asked.kind === 'open') {
    picture = await openPicture(asked.file)
    lines = [linesIn(picture, 'width'), linesIn(picture, 'height')]
    return { upright: lines[0].clearness >= lines[1].clearness } satisfies OpenedPhoto
  }
  if (!picture) throw new NoPicture('No picture is open.')
  if (asked.kind === 'codes') {
    const canvas = greyTurned(picture, 0)
    const blob = await canvas.convertToBlob({ type: 'image/png' })
    const codes = await readBarcodes(blob, {
      tryHarder: true,
      tryRotate: true,
      maxNumberOfSymbols: 8,
    })
    return codes.filter(({ isValid }) => isValid).map(({ text }) => text)
  }
  const { tilt } = lines[asked.quarter % 2] as LineTilt
  const turned = cropped(greyTurned(picture, asked.quarter * 90 - tilt))
  const canvas = asked.sharp ? sharpened(turned) : turned
  const blob = await canvas.convertToBlob({ type: 'image/png' })
  return { blob, width: canvas.width, height: canvas.height }
}
