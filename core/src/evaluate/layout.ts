import { channelPeakGBs, type Machine, type Zone } from '../model'

/** A stretch of the address space and the channels it lies on. */
export interface Span extends Pick<Zone, 'ways' | 'gib'> {
  channels: string[]
}

const WAYS = ['', 'single', 'dual', 'triple', 'quad']

/**
 * How address space lies across channels, from each populated channel's GiB: the widest span first.
 * Between one distinct capacity and the next, every channel that reaches above the lower one takes part.
 */
export function spans(
  capacities: ReadonlyMap<string, number>,
  interleave: Machine['interleave'],
): Span[] {
  const entries = [...capacities]
  const levels = [...new Set(capacities.values())].sort((a, b) => a - b)
  if (interleave === 'matched' && levels.length > 1) {
    const gib = entries.reduce((sum, [, held]) => sum + held, 0)
    return [{ ways: 1, gib, channels: entries.map(([channel]) => channel) }]
  }
  let lower = 0
  return levels.map((level) => {
    const floor = lower
    const channels = entries.flatMap(([channel, held]) => (held > floor ? [channel] : []))
    lower = level
    return { ways: channels.length, gib: channels.length * (level - floor), channels }
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
  const gib = zones.reduce((sum, zone) => sum + zone.gib, 0)
  return gib / zones.reduce((sum, zone) => sum + zone.gib / zone.peakGBs, 0)
}
