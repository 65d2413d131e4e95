import { channelPeakGBs, type Machine, type Zone } from '../model'

export type Span = Pick<Zone, 'ways' | 'gib'>

const WAYS = ['', 'single', 'dual', 'triple', 'quad']

/**
 * How address space lies across channels: the widest span first. Between one distinct channel
 * capacity and the next, every channel that reaches above the lower one takes part.
 */
export function spans(capacities: readonly number[], interleave: Machine['interleave']): Span[] {
  const levels = [...new Set(capacities)].sort((a, b) => a - b)
  if (interleave === 'matched' && levels.length > 1) {
    return [{ ways: 1, gib: capacities.reduce((sum, gib) => sum + gib, 0) }]
  }
  let lower = 0
  return levels.map((level) => {
    const floor = lower
    const ways = capacities.filter((capacity) => capacity > floor).length
    lower = level
    return { ways, gib: ways * (level - floor) }
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
