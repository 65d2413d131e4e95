import type { Channel, Placeholder, Template } from '../../things/records'

/** What stands for each placeholder; undefined where it is not known. */
export type Filling = Partial<Record<Placeholder, string>>

/**
 * A template filled in for a channel; text messages have no subject. A placeholder that nothing is known for stands
 * until somebody writes something in its place (`leftOpen`).
 */
export function filled(
  template: Template,
  channel: Channel,
  filling: Filling,
): { subject: string; text: string } {
  const put = (text: string) =>
    text.replace(/\{([^{}]*)\}/g, (whole, name: Placeholder) => filling[name] || whole)
  return channel === 'mail'
    ? { subject: put(template.subject), text: put(template.mail) }
    : { subject: '', text: put(template.text) }
}

/** Placeholders that still stand in a text. */
export const leftOpen = (text: string): string[] => [
  ...new Set([...text.matchAll(/\{[^{}]*\}/g)].map(([whole]) => whole)),
]
