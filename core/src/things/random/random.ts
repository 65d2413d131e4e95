/** A small seeded generator of numbers from 0 to 1 (mulberry32). */
export function random(seed: number): () => number {
  let state = seed | 0
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32
  }
}

/** Normally distributed about 0 with spread 1 (Box and Muller). */
export function normal(next: () => number): () => number {
  return () => {
    const radius = Math.sqrt(-2 * Math.log(1 - next()))
    return radius * Math.cos(2 * Math.PI * next())
  }
}
