import { devices } from './device'
import type { PrintForm } from './form'
import { isProfiled, profiledIn } from './treeJson'
import { elementsIn, readXml, type XmlElement } from './xml'

/** A system profile as a property list in XML: modules as dictionaries of names and texts. */
export const profileXml: PrintForm = {
  name: 'profileXml',
  begins: /^\s*<(?:\?xml|plist)\b/,
  read(lines, at) {
    const { elements, end } = readXml(lines, at)
    const found = devices()
    let isAny = false
    for (const element of elementsIn(elements)) {
      if (element.name !== 'dict') continue
      const one = textsIn(element)
      if (!isProfiled(one)) continue
      isAny = true
      found.take(profiledIn(one, element.line), () => ({ line: element.line }))
    }
    return isAny ? { ...found.read('hardware-tree'), end } : null
  },
}

/** Texts of a dictionary by their keys, each of which stands before its value. */
function textsIn({ children }: XmlElement): Record<string, string> {
  const texts: Record<string, string> = {}
  children.forEach(({ name, text }, at) => {
    const before = children[at - 1]
    if (name === 'string' && before?.name === 'key') texts[before.text.trim()] = text.trim()
  })
  return texts
}
