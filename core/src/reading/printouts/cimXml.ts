import { instancesRead } from './cim'
import { areTelling, type Instance, plainField } from './fields'
import type { PrintForm } from './form'
import { elementsIn, readXml, type XmlElement } from './xml'

/** Instances as XML (DSP0201, and as consoles write objects): properties by name, an element for each instance. */
export const cimXml: PrintForm = {
  name: 'cimXml',
  begins: /^\s*<(?:\?xml|Objects?|CIM|INSTANCE)\b/i,
  read(lines, at) {
    const { elements, end } = readXml(lines, at)
    const instances = [...elementsIn(elements)].flatMap((element) =>
      element.name === 'object' || element.name === 'instance' ? instanceOf(element) : [],
    )
    const told = instances.filter(({ fields }) => areTelling([...fields.keys()]))
    return told.length > 0 ? { ...instancesRead('cim-list', told), end } : null
  },
}

/** A value stands in the property's own element, or in one for it. */
function instanceOf({ children, line }: XmlElement): Instance {
  const fields: Instance['fields'] = new Map()
  for (const { name, attributes, text, children: inner, line: own } of children) {
    const property = attributes.name
    if (name !== 'property' || property === undefined) continue
    const value = inner.find((one) => one.name === 'value')?.text ?? text
    fields.set(plainField(property), { value: value.trim(), line: own })
  }
  return { line, fields }
}
