import { PHOTO_TYPES } from '@tembrix/core/things/records'
import { fileTypeFromBuffer } from 'file-type'
import sharp from 'sharp'
import { HttpError } from '../errors'

/** The longer side of a stored picture, pixels. */
const LONGEST = 2000

/** A picture of more pixels than this is not opened. */
const MOST_PIXELS = 80_000_000

/** How long a picture may take, seconds. */
const PATIENCE = 20

// Whatever a file calls itself, only these are ever opened.
sharp.block({ operation: ['VipsForeignLoad'] })
sharp.unblock({
  operation: ['Jpeg', 'Png', 'Webp', 'Heif'].map((kind) => `VipsForeignLoad${kind}`),
})
sharp.concurrency(1)

export interface ScaledPicture {
  picture: Uint8Array
  width: number
  height: number
}

const noPicture = () => new HttpError(400, 'no_picture', 'This is no picture that can be read.')

/**
 * A picture as it is stored: turned upright, no larger than needed, and encoded again, so that nothing
 * the camera wrote beside it (place, device, time) is kept. What it is, its bytes tell.
 * @throws HttpError 415 for what is of no kind that is taken, 400 for what cannot be read.
 */
export async function encode(bytes: Uint8Array): Promise<ScaledPicture> {
  const kind = (await fileTypeFromBuffer(bytes))?.mime ?? null
  if (!PHOTO_TYPES.some((type) => type === kind)) {
    const taken = PHOTO_TYPES.map((type) => type.replace('image/', '').toUpperCase()).join(', ')
    throw new HttpError(415, 'not_a_photo', `This is no picture of a kind that is taken: ${taken}.`)
  }
  try {
    const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .timeout({ seconds: PATIENCE })
      .rotate()
      .resize({ width: LONGEST, height: LONGEST, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 82 })
      .toBuffer({ resolveWithObject: true })
    return { picture: data, width: info.width, height: info.height }
  } catch {
    if (kind === 'image/heic') {
      throw new HttpError(
        400,
        'no_picture',
        'This HEIC picture cannot be read here. Set the camera to JPEG, or send a JPEG of it.',
      )
    }
    throw noPicture()
  }
}
