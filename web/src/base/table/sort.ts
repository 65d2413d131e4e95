interface Valued {
  getValue: (id: string) => unknown
}

/** Numbers by size, words as a person would sort them, with their numbers by size. */
export function byValue(a: Valued, b: Valued, id: string): number {
  const [one, other] = [a.getValue(id), b.getValue(id)]
  if (typeof one === 'number' && typeof other === 'number') return one - other
  return String(one).localeCompare(String(other), undefined, { numeric: true, sensitivity: 'base' })
}
