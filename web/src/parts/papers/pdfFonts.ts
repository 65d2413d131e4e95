import latin from '@fontsource/archivo/files/archivo-latin-400-normal.woff?url'
import latinStrong from '@fontsource/archivo/files/archivo-latin-600-normal.woff?url'
import latinExt from '@fontsource/archivo/files/archivo-latin-ext-400-normal.woff?url'
import latinExtStrong from '@fontsource/archivo/files/archivo-latin-ext-600-normal.woff?url'
import cyrillic from '@fontsource/noto-sans/files/noto-sans-cyrillic-400-normal.woff?url'
import cyrillicStrong from '@fontsource/noto-sans/files/noto-sans-cyrillic-600-normal.woff?url'
import greek from '@fontsource/noto-sans/files/noto-sans-greek-400-normal.woff?url'
import greekStrong from '@fontsource/noto-sans/files/noto-sans-greek-600-normal.woff?url'
import vietnamese from '@fontsource/noto-sans/files/noto-sans-vietnamese-400-normal.woff?url'
import vietnameseStrong from '@fontsource/noto-sans/files/noto-sans-vietnamese-600-normal.woff?url'
import { Font } from '@react-pdf/renderer'

const SOURCES: Record<string, [string, string]> = {
  latin: [latin, latinStrong],
  'latin-ext': [latinExt, latinExtStrong],
  greek: [greek, greekStrong],
  cyrillic: [cyrillic, cyrillicStrong],
  vietnamese: [vietnamese, vietnameseStrong],
}

for (const [family, [src, strong]] of Object.entries(SOURCES)) {
  Font.register({ family, fonts: [{ src }, { src: strong, fontWeight: 600 }] })
}
// A part number or a name is never broken up.
Font.registerHyphenationCallback((word) => [word])

/** The letters of a paper: each is taken from the first of these that has it. */
export const FAMILIES = Object.keys(SOURCES)

/** Letters of a text that none of the fonts has: they would be empty boxes. */
export async function missingFrom(text: string): Promise<string[]> {
  const fonts = await Promise.all(
    FAMILIES.map(async (fontFamily) => {
      await Font.load({ fontFamily })
      return Font.getFont({ fontFamily })?.data
    }),
  )
  return [...new Set(text)].filter(
    (letter) =>
      letter > ' ' &&
      !fonts.some(
        (font) =>
          font &&
          'hasGlyphForCodePoint' in font &&
          font.hasGlyphForCodePoint(letter.codePointAt(0) ?? 0),
      ),
  )
}
