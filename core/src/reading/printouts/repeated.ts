/**
 * A list without its repetitions: one that is the same several times over, as where a report was pasted twice, is
 * there once. `keyOf` tells entries from each other, and null says that one cannot be told from another like it; a
 * single entry over and over is several alike, unless `isUnique` says that there is only one such.
 */
export function withoutRepetition<T>(
  list: readonly T[],
  keyOf: (one: T) => string | null,
  isUnique: (one: T) => boolean = () => false,
): readonly T[] {
  const keys = list.map(keyOf)
  if (keys.includes(null)) return list
  for (let length = 1; length <= list.length / 2; length += 1) {
    if (list.length % length > 0 || (length === 1 && !isUnique(list[0] as T))) continue
    const isDistinct = new Set(keys.slice(0, length)).size === length
    if (isDistinct && keys.every((key, at) => key === keys[at % length]))
      return list.slice(0, length)
  }
  return list
}
