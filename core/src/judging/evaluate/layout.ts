import { channelPeakGBs, type Machine, type Zone } from '../../things/model'

/** A stretch of the address space and the channels it lies on. */
export interface Span extends Pick<Zone, 'ways' | 'gib'> {
  channels: string[]
}

const WAYS = ['', 'single', 'dual', 'triple', 'quad']

/**
 * How address space lies across channels, from each populated channel's GiB: the widest span first.
 * Between one distinct capacity and the next, every channel that reaches above the lower one takes part. A rule
 * nobody knows is taken for the careful one: unequal channels do not interleave.
 */
export function spans(
  capacities: ReadonlyMap<string, number>,
  interleave: Machine['interleave'],
): Span[] {
  const levels: number[] = []
  for (const held of capacities.values()) if (!levels.includes(held)) levels.push(held)
  if (interleave !== 'flex' && levels.length > 1) {
    let gib = 0
    for (const held of capacities.values()) gib += held
    return [{ ways: 1, gib, channels: [...capacities.keys()] }]
  }
  if (levels.length > 1) levels.sort((a, b) => a - b)
  let lower = 0
  return levels.map((level) => {
    const channels: string[] = []
    for (const [channel, held] of capacities) if (held > lower) channels.push(channel)
    const gib = channels.length * (level - lower)
    lower = level
    return { ways: channels.length, gib, channels }
  })
}

/** The layout in a word: `flex` when memory differs along the address space. */
export function modeOf(layout: readonly Span[]): string {
  const ways = layout[0]?.ways ?? 0
  return layout.length > 1 ? 'flex' : (WAYS[ways] ?? `${ways}-channel`)
}

export function zonesAt(layout: readonly Span[], dataRate: number): Zone[] {
  const peak = channelPeakGBs(dataRate)
  return layout.map(({ ways, gib }) => ({ ways, gib, peakGBs: peak * ways }))
}

/** The rate in GB/s at which the whole memory streams, each zone at its own peak. */
export function wholePeakGBs(zones: readonly Zone[]): number {
  let whole = 0
  let time = 0
  for (const { gib, peakGBs } of zones) {
    whole += gib
    time += gib / peakGBs
  }
  return whole / time
}
