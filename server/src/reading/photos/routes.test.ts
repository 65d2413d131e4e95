import { randomUUID } from 'node:crypto'
import sharp from 'sharp'
import { describe, expect, test } from 'vitest'
import { newJobBody } from '../../../test/sample'
import { useServer } from '../../../test/server'

const { raw, get, post, patch, remove, address } = useServer()

function picture(width: number, height: number) {
  return sharp({ create: { width, height, channels: 3, background: '#446655' } })
}

function upload(path: string, body: Uint8Array, type = 'image/jpeg') {
  return raw(path, { method: 'POST', headers: { 'content-type': type }, body })
}

async function jobId(): Promise<string> {
  return (await post('/jobs', newJobBody)).body.id
}

describe('a photo', () => {
  test('is stored encoded again: upright, smaller, without what the camera wrote beside it', async () => {
    const job = await jobId()
    const taken = await picture(3000, 1500)
      .withExif({
        IFD0: { Make: 'nobody', Orientation: '6' },
        IFD3: { GPSLatitude: '47/1 30/1 0/1', GPSLatitudeRef: 'N' },
      })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer()
    expect((await sharp(taken).metadata()).exif).toBeDefined()

    const { status, body } = await upload(`/photos?jobId=${job}&caption=bottom`, taken)
    expect(status).toBe(201)
    // turned by a quarter, then scaled so that the longer side is 2000
    expect(body).toMatchObject({ caption: 'bottom', width: 1000, height: 2000, jobId: job })

    const answer = await fetch(`${address()}/photos/${body.id}/picture`)
    expect(answer.headers.get('content-type')).toBe('image/jpeg')
    const kept = Buffer.from(await answer.arrayBuffer())
    const about = await sharp(kept).metadata()
    expect([about.exif, about.orientation]).toEqual([undefined, undefined])
    expect(kept.length).toBe(body.bytes)
    expect((await get(`/jobs/${job}`)).body.photos).toMatchObject([{ id: body.id }])
  })

  test('sent twice is stored once, can be named and removed', async () => {
    const job = await jobId()
    const id = randomUUID()
    const png = await picture(40, 30).png().toBuffer()
    const path = `/photos?jobId=${job}&id=${id}`
    expect((await upload(path, png, 'image/png')).status).toBe(201)
    expect((await upload(path, png, 'image/png')).status).toBe(200)
    expect((await patch(`/photos/${id}`, { version: 1, caption: 'lid' })).body.caption).toBe('lid')
    expect((await remove(`/photos/${id}?version=2`)).status).toBe(204)
    expect((await fetch(`${address()}/photos/${id}/picture`)).status).toBe(404)
  })

  test('is refused where it is none, too large, or of no job', async () => {
    const job = await jobId()
    const text = new TextEncoder().encode('not a picture')
    expect(await upload(`/photos?jobId=${job}`, text)).toMatchObject({
      status: 415,
      body: { error: { code: 'not_a_photo' } },
    })
    const png = await picture(4, 4).png().toBuffer()
    expect((await upload(`/photos?jobId=${randomUUID()}`, png, 'image/png')).status).toBe(404)
    expect((await upload('/photos', png, 'image/png')).status).toBe(400)
    const large = new Uint8Array(12_000_001)
    expect((await upload(`/photos?jobId=${job}`, large)).status).toBe(413)
    const cut = (await picture(800, 800).jpeg().toBuffer()).subarray(0, 900)
    expect((await upload(`/photos?jobId=${job}`, cut)).status).toBe(400)
  })

  test('what it is, its bytes tell: whatever it is called, a drawing or an animation is none', async () => {
    const job = await jobId()
    const webp = await picture(40, 30).webp().toBuffer()
    expect((await upload(`/photos?jobId=${job}`, webp, 'text/plain')).status).toBe(201)
    const avif = await picture(40, 30).avif().toBuffer()
    expect((await upload(`/photos?jobId=${job}`, avif, 'image/png')).status).toBe(201)
    const svg = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>')
    const gif = await picture(40, 30).gif().toBuffer()
    for (const other of [svg, Buffer.concat([Buffer.from('<?xml version="1.0"?>'), svg]), gif]) {
      expect((await upload(`/photos?jobId=${job}`, other)).body.error.code).toBe('not_a_photo')
    }
  })

  test('one of more pixels than any camera takes is refused, however few bytes it has', async () => {
    const job = await jobId()
    const huge = await picture(30_000, 3000).png({ compressionLevel: 9 }).toBuffer()
    expect((await upload(`/photos?jobId=${job}`, huge)).status).toBe(400)
  })
})
