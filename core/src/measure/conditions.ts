/** What a test was run under: what was drawn and how, what the machine was set to, what else ran. */
export const CONDITIONS = ['resolution', 'quality', 'display', 'power', 'running'] as const
export type Condition = (typeof CONDITIONS)[number]

/** As the technician put them; what nobody noted is left out. */
export type Conditions = Partial<Record<Condition, string>>

/** In what two sets differ, as far as both say it. */
export const differing = (a: Conditions, b: Conditions): Condition[] =>
  CONDITIONS.filter(
    (one) => plain(a[one]) !== '' && plain(b[one]) !== '' && plain(a[one]) !== plain(b[one]),
  )

const plain = (text = ''): string => text.trim().toLowerCase().replace(/\s+/g, ' ')
