const joiners = {
  and: new Intl.ListFormat('en', { type: 'conjunction' }),
  or: new Intl.ListFormat('en', { type: 'disjunction' }),
}

export const list = (words: readonly string[], join: keyof typeof joiners = 'and') =>
  joiners[join].format(words)

export const plural = (count: number, one: string, many = `${one}s`) =>
  `${count} ${count === 1 ? one : many}`

export const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)
export const uncapital = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)
