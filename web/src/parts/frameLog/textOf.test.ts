import { expect, test } from 'vitest'
import { textChunks } from './textChunks'

async function all(parts: BlobPart[]): Promise<{ text: string; shares: number[] }> {
  let text = ''
  const shares: number[] = []
  for await (const stretch of textChunks(new Blob(parts))) {
    text += stretch.text
    shares.push(stretch.share)
  }
  return { text, shares }
}

test('a large file comes a megabyte at a time, letters of several bytes whole', async () => {
  // Three bytes a letter: a stretch ends within one.
  const written = 'µ€'.repeat(500_000)
  const { text, shares } = await all([written])
  expect(text).toBe(written)
  expect(shares).toHaveLength(Math.ceil(2_500_000 / 2 ** 20))
  expect(shares.at(-1)).toBe(1)
  expect(shares.every((share, at) => at === 0 || share > (shares[at - 1] as number))).toBe(true)
})

test.each([
  ['little', true],
  ['big', false],
])(
  'the %s-endian sixteen bits that some systems write are told by their mark',
  async (_, little) => {
    const written = 'FrameTime (ms)\r\n16,7\r\n'
    const bytes = new DataView(new ArrayBuffer(2 + 2 * written.length))
    bytes.setUint16(0, 0xfeff, little)
    Array.from(written).forEach((letter, at) => {
      bytes.setUint16(2 + 2 * at, letter.charCodeAt(0), little)
    })
    expect((await all([bytes.buffer])).text).toBe(written)
  },
)

test('an empty file is no text', async () => {
  expect(await all([])).toEqual({ text: '', shares: [] })
})
