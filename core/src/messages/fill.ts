import type { Channel, Placeholder, Template } from '../records'

/** What stands for each placeholder; undefined where it is not known. */
export type Filling = Partial<Record<Placeholder, string>>

export interface Filled {
  subject: string
  text: string
  /** Placeholders that nothing is known for; they stand as they are until somebody writes something there. */
  open: Placeholder[]
}

/** A template filled in for a channel; text messages have no subject. */
export function filled(template: Template, channel: Channel, filling: Filling): Filled {
  const open = new Set<Placeholder>()
  const put = (text: string) =>
    text.replace(/\{([^{}]*)\}/g, (whole, name: Placeholder) => {
      const known = filling[name]
      if (known === undefined || known === '') {
        open.add(name)
        return whole
      }
      return known
    })
  return {
    text: put(channel === 'mail' ? template.mail : template.text),
    subject: channel === 'mail' ? put(template.subject) : '',
    open: [...open],
  }
}

/** Placeholders that still stand in a text. */
export const leftOpen = (text: string): string[] => [
  ...new Set([...text.matchAll(/\{[^{}]*\}/g)].map(([whole]) => whole)),
]
