import { HttpError } from '../http'

/** The longer side of a stored picture, pixels. */
const LONGEST = 2000

/** A picture of more pixels than this is not opened. */
const MOST_PIXELS = 80_000_000

export interface Picture {
  picture: Uint8Array
  width: number
  height: number
}

/**
 * A picture as it is stored: turned upright, no larger than needed, and encoded anew, so that nothing
 * the camera wrote beside it (place, device, time) is kept.
 * @throws HttpError 400 for what is no picture.
 */
export async function encode(bytes: Uint8Array): Promise<Picture> {
  const { default: sharp } = await import('sharp')
  try {
    const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .rotate()
      .resize({ width: LONGEST, height: LONGEST, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 82 })
      .toBuffer({ resolveWithObject: true })
    return { picture: data, width: info.width, height: info.height }
  } catch {
    throw new HttpError(400, 'no_picture', 'This is no picture that can be read.')
  }
}
