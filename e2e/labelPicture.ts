import type { Page } from '@playwright/test'

export interface LabelPicture {
  lines: string[]
  /** Degrees, pixels of blur, and how much each pixel is off at most. */
  tilt: number
  blur: number
  noise: number
  /** Quarter turns. */
  turned?: number
  /** Grey of the print, 0 (black) to 255; paper is at 240. */
  ink?: number
  /** Letters of the second line that a finger covers, from its first. */
  covered?: number
}

/** A photograph of a label as a bench gives it: on a green board, tilted, blurred, with noise. */
export async function labelPicture(page: Page, picture: LabelPicture): Promise<Buffer> {
  const base64 = await page.evaluate(
    ({ lines, tilt, blur, noise, turned = 0, ink = 21, covered = 0 }) => {
      const [width, height, size] = [900, 630, 30]
      const canvas = document.createElement('canvas')
      canvas.width = turned % 2 ? height : width
      canvas.height = turned % 2 ? width : height
      const context = canvas.getContext('2d') as CanvasRenderingContext2D
      context.fillStyle = '#24563a'
      context.fillRect(0, 0, canvas.width, canvas.height)
      context.filter = `blur(${blur}px)`
      context.translate(canvas.width / 2, canvas.height / 2)
      context.rotate(((turned * 90 + tilt) * Math.PI) / 180)
      context.fillStyle = '#f4f2ea'
      context.fillRect(-width * 0.38, -height * 0.25, width * 0.76, height * 0.5)
      context.fillStyle = `rgb(${ink} ${ink} ${ink})`
      context.font = `${size}px Arial, sans-serif`
      context.textBaseline = 'top'
      lines.forEach((line, at) => {
        context.fillText(line, -width * 0.35, -height * 0.22 + at * size * 1.5)
      })
      if (covered > 0) {
        const { width: hidden } = context.measureText((lines[1] ?? '').slice(0, covered))
        context.fillStyle = '#c79a7c'
        context.fillRect(-width * 0.5, -height * 0.22 + size * 1.3, width * 0.15 + hidden, size * 3)
      }
      context.resetTransform()
      context.filter = 'none'
      const image = context.getImageData(0, 0, canvas.width, canvas.height)
      let seed = 7
      for (let at = 0; at < image.data.length; at += 4) {
        seed = (seed * 1103515245 + 12345) & 0x7fffffff
        const off = (seed / 0x7fffffff - 0.5) * noise
        for (const part of [0, 1, 2]) image.data[at + part] = (image.data[at + part] ?? 0) + off
      }
      context.putImageData(image, 0, 0)
      return canvas.toDataURL('image/png').split(',')[1] ?? ''
    },
    picture,
  )
  return Buffer.from(base64, 'base64')
}
