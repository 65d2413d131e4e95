import {
  bestLook,
  type CodeFields,
  codeFields,
  type RecognisedLabel,
  recognisedLabel,
} from '@tembrix/core/reading/labels'
import {
  createWorker,
  type ImageLike,
  OEM,
  PSM,
  type Worker as Recogniser,
  type WorkerParams,
} from 'tesseract.js'
import recogniserAddress from 'tesseract.js/dist/worker.min.js?url'
import coreAddress from 'tesseract.js-core/tesseract-core-simd-lstm.wasm.js?url'
import type { OpenedPhoto, PhotoAnswer, PhotoRequest } from './prepareWorker'
import PrepareWorker from './prepareWorker?worker'

/** A line as it was found in the turned picture, in its pixels. */
export interface FoundLine {
  text: string
  confidence: number
  box: { x0: number; y0: number; x1: number; y1: number }
}

/** What a picture says: the label, codes, and the picture as it was turned, with its lines. */
export interface PhotoReading {
  label: RecognisedLabel | null
  codes: CodeFields
  picture: Blob
  width: number
  height: number
  lines: FoundLine[]
}

/** How far it is, 0 to 1, and what it is doing. */
export type OnPhotoProgress = (share: number, doing: string) => void

export class NotAPicture extends Error {}

/** The quarter turns in the order they are tried, where lines run along the width, and along the height. */
const TURNS = { upright: [0, 2, 1, 3], onSide: [1, 3, 0, 2] }
/** A score from which on no other turn is tried. */
const ENOUGH = 5 * 130

/** A way to look at a picture: how the recogniser takes the page apart and tells ink from paper, on a sharpened picture or not. */
interface Look {
  parts: PSM
  /** The recogniser's own numbers: 0 one threshold for all of the picture, 2 one for each part of it. */
  threshold: '0' | '2'
  sharp: boolean
}

const FIRST_LOOK: Look = { parts: PSM.SPARSE_TEXT, threshold: '0', sharp: false }
/** Further looks at the best turn, where the first is not sure: uneven light and pale print, then what is out of focus. */
const FURTHER_LOOKS: Look[] = [
  { parts: PSM.SINGLE_BLOCK, threshold: '2', sharp: false },
  { parts: PSM.SPARSE_TEXT, threshold: '2', sharp: true },
  { parts: PSM.SINGLE_BLOCK, threshold: '0', sharp: true },
]

/**
 * Reads a label in a picture, at the four turns, and the codes on it; where a first look is not sure, at other
 * thresholds as well. Everything comes from this server and runs in workers. Ends at once where `signal` is aborted.
 * @throws NotAPicture where the file is none.
 */
export async function readPhoto(
  file: Blob,
  onProgress: OnPhotoProgress,
  signal: AbortSignal,
): Promise<PhotoReading> {
  const prepare = new PrepareWorker()
  const ask = asking(prepare)
  const stop = () => {
    prepare.terminate()
    forget()
  }
  signal.addEventListener('abort', stop)
  try {
    onProgress(0.02, 'opening the picture')
    const { upright } = (await ended(ask({ kind: 'open', file }), signal)) as OpenedPhoto
    onProgress(0.1, 'loading the reader')
    const loading = recogniserOf()
    const codes = ask({ kind: 'codes' }).catch(() => [])
    const recogniser = await ended(loading, signal)
    const look = async (quarter: number, { parts, threshold, sharp }: Look) => {
      await recogniser.setParameters({
        tessedit_pageseg_mode: parts,
        thresholding_method: threshold,
      } as Partial<WorkerParams>)
      const turned = (await ended(ask({ kind: 'turn', quarter, sharp }), signal)) as Turned
      const lines = await ended(recognise(recogniser, turned.blob, signal), signal)
      const { blob: picture, width, height } = turned
      return { quarter, picture, width, height, lines, label: recognisedLabel(lines) }
    }
    const looks: Awaited<ReturnType<typeof look>>[] = []
    const best = () => {
      const found = bestLook(looks.map(({ label }) => label))
      const one = looks[found?.at ?? 0] as (typeof looks)[number]
      return { ...one, label: found?.label ?? null }
    }
    for (const [at, quarter] of TURNS[upright ? 'upright' : 'onSide'].entries()) {
      onProgress(0.3 + at * 0.1, at === 0 ? 'reading' : `reading it turned, ${at + 1} of 4`)
      looks.push(await look(quarter, FIRST_LOOK))
      if ((best().label?.score ?? 0) >= ENOUGH) break
    }
    for (const [at, further] of FURTHER_LOOKS.entries()) {
      const { label, quarter } = best()
      if (label?.sure) break
      onProgress(0.7 + at * 0.1, `looking again, ${at + 1} of ${FURTHER_LOOKS.length}`)
      looks.push(await look(quarter, further))
    }
    const found = (await ended(codes, signal)) as string[]
    const fields: CodeFields = Object.assign({}, ...found.map(codeFields).toReversed())
    onProgress(1, 'read')
    const { label, picture, width, height, lines } = best()
    return { label, codes: fields, picture, width, height, lines }
  } finally {
    signal.removeEventListener('abort', stop)
    prepare.terminate()
  }
}

interface Turned {
  blob: Blob
  width: number
  height: number
}

/** The reader of letters, kept for the next picture; one that was stopped or failed is loaded again. */
let kept: Promise<Recogniser> | null = null

function recogniserOf(): Promise<Recogniser> {
  kept ??= load()
  kept.catch(() => {
    kept = null
  })
  return kept
}

function forget(): void {
  kept?.then(
    (worker) => worker.terminate(),
    () => undefined,
  )
  kept = null
}

async function load(): Promise<Recogniser> {
  const worker = await createWorker('eng', OEM.LSTM_ONLY, {
    langPath: new URL('/reader', location.href).href,
    workerPath: new URL(recogniserAddress, location.href).href,
    corePath: new URL(coreAddress, location.href).href,
    workerBlobURL: false,
    cacheMethod: 'none',
    errorHandler: () => undefined,
  })
  return worker
}

async function recognise(
  recogniser: Recogniser,
  picture: Blob,
  signal: AbortSignal,
): Promise<FoundLine[]> {
  // Bytes, not a blob: the recogniser would read that by itself and, ended meanwhile, trip over its end.
  const bytes = new Uint8Array(await picture.arrayBuffer())
  signal.throwIfAborted()
  const image = bytes as unknown as ImageLike
  const { data } = await recogniser.recognize(image, {}, { blocks: true, text: false })
  return (data.blocks ?? [])
    .flatMap(({ paragraphs }) => paragraphs.flatMap(({ lines }) => lines))
    .map(({ text, confidence, bbox }) => ({ text: text.trim(), confidence, box: bbox }))
    .filter(({ text }) => text !== '')
}

/** Questions to the worker, each with its answer. */
function asking(worker: Worker) {
  let last = 0
  return (
    asked: PhotoRequest extends infer One
      ? One extends PhotoRequest
        ? Omit<One, 'id'>
        : never
      : never,
  ) =>
    new Promise<unknown>((resolve, reject) => {
      last += 1
      const id = last
      const hear = ({ data }: MessageEvent<PhotoAnswer>) => {
        if (data.id !== id) return
        worker.removeEventListener('message', hear)
        if (data.ok) resolve(data.value)
        else reject(data.noPicture ? new NotAPicture(data.message) : new Error(data.message))
      }
      worker.addEventListener('message', hear)
      worker.addEventListener('error', () => reject(new Error('The picture cannot be read.')), {
        once: true,
      })
      worker.postMessage({ ...asked, id })
    })
}

/** The same, but refused as soon as it is not wanted any more. */
function ended<T>(wanted: Promise<T>, signal: AbortSignal): Promise<T> {
  return new Promise((resolve, reject) => {
    const stop = () => reject(new DOMException('Cancelled', 'AbortError'))
    if (signal.aborted) stop()
    signal.addEventListener('abort', stop, { once: true })
    wanted.then(resolve, reject)
  })
}
