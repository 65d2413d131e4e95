const STRETCH = 2 ** 20

/** How the bytes of a text file are to be read: by the mark at its beginning, or as UTF-8. */
function encodingOf(beginning: Uint8Array): string {
  const [first, second] = beginning
  if (first === 0xff && second === 0xfe) return 'utf-16le'
  return first === 0xfe && second === 0xff ? 'utf-16be' : 'utf-8'
}

/** The text of a file, a megabyte at a time, with the share of the file read so far. */
export async function* textChunks(file: Blob): AsyncGenerator<{ text: string; share: number }> {
  let decoder: TextDecoder | undefined
  for (let at = 0; at < file.size; at += STRETCH) {
    const bytes = new Uint8Array(await file.slice(at, at + STRETCH).arrayBuffer())
    decoder ??= new TextDecoder(encodingOf(bytes))
    const text = decoder.decode(bytes, { stream: true })
    yield { text, share: Math.min(1, (at + bytes.length) / file.size) }
  }
}
