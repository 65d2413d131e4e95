import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { anyModule, anyRequest, fittingRequest } from '../../../test/arbitraries'
import type { EvaluationRequest, Module } from '../../things/model'
import { evaluate } from './evaluate'

function replaced(request: EvaluationRequest, slot: string, module: Module | null) {
  return { ...request, placement: { ...request.placement, [slot]: module } }
}

const requestAndSlot = anyRequest.chain((request) =>
  fc.record({
    request: fc.constant(request),
    slot: fc.constantFrom(...request.machine.slots.map(({ id }) => id)),
  }),
)

describe('whatever is placed', () => {
  test('stops and starting exclude each other, and nothing but stops is said of a machine that does not start', () => {
    fc.assert(
      fc.property(anyRequest, (request) => {
        const { starts, findings, zones, mode, run, capacity } = evaluate(request)
        const stops = findings.filter(({ severity }) => severity === 'stop')
        expect(starts).toBe(stops.length === 0)
        if (!starts) {
          expect(stops).toHaveLength(findings.length)
          expect([zones, mode, run, capacity.usableGiB]).toEqual([[], null, null, 0])
        }
      }),
    )
  })

  test('a module that cannot work never makes a machine start', () => {
    fc.assert(
      fc.property(requestAndSlot, anyModule, ({ request, slot }, module) => {
        const wrong: Module = { ...module, generation: 'DDR2' }
        expect(evaluate(replaced(request, slot, wrong)).starts).toBe(false)
      }),
    )
  })

  test('zones add up to what is fitted, widest first, none wider than the machine', () => {
    fc.assert(
      fc.property(fittingRequest, (request) => {
        const { starts, zones, capacity } = evaluate(request)
        fc.pre(starts)
        expect(zones.reduce((sum, { gib }) => sum + gib, 0)).toBe(capacity.installedGiB)
        const ways = zones.map((zone) => zone.ways)
        expect(ways).toEqual([...ways].sort((a, b) => b - a))
        expect(ways[0]).toBeLessThanOrEqual(request.machine.channels.length)
      }),
    )
  })

  test('the whole streams no slower than its slowest zone and no faster than its fastest', () => {
    fc.assert(
      fc.property(fittingRequest, (request) => {
        const { run, zones } = evaluate(request)
        fc.pre(run !== null)
        const peaks = zones.map(({ peakGBs }) => peakGBs)
        expect(run.wholePeakGBs).toBeGreaterThanOrEqual(Math.min(...peaks) - 1e-9)
        expect(run.wholePeakGBs).toBeLessThanOrEqual(Math.max(...peaks) + 1e-9)
      }),
    )
  })

  test('swapping two identical modules changes nothing', () => {
    fc.assert(
      fc.property(fittingRequest, ({ machine, placement, settings }) => {
        const filled = machine.slots.filter(({ id }) => placement[id])
        fc.pre(filled.length >= 2)
        const [first, second] = filled.map(({ id }) => id) as [string, string]
        const twin = placement[first] as Module
        const before = { ...placement, [second]: structuredClone(twin) }
        const after = {
          ...before,
          [first]: before[second],
          [second]: before[first],
        } as typeof before
        expect(evaluate({ machine, placement: after, settings })).toEqual(
          evaluate({ machine, placement: before, settings }),
        )
      }),
    )
  })

  test('a slower module never raises the rate', () => {
    fc.assert(
      fc.property(fittingRequest, fc.nat(), (request, pick) => {
        const filled = request.machine.slots.filter(({ id }) => request.placement[id])
        fc.pre(filled.length > 0)
        const id = (filled[pick % filled.length] as { id: string }).id
        const module = request.placement[id] as Module
        const slower: Module = {
          ...module,
          speeds: module.speeds.map((speed) => ({ ...speed, dataRate: speed.dataRate - 267 })),
        }
        const before = evaluate(request).run
        const after = evaluate(replaced(request, id, slower)).run
        fc.pre(before !== null && after !== null)
        expect(after.dataRate).toBeLessThanOrEqual(before.dataRate)
      }),
    )
  })

  test('the rate never passes what the modules, the firmware and, without a profile, the rating allow', () => {
    fc.assert(
      fc.property(fittingRequest, (request) => {
        const { run } = evaluate(request)
        fc.pre(run !== null)
        const firmware = request.machine.limits.firmwareDataRate ?? Infinity
        expect(run.dataRate).toBeLessThanOrEqual(firmware)
        if (!run.profile) expect(run.dataRate).toBeLessThanOrEqual(run.controllerRating)
        expect(run.profile && !request.settings.profile).toBe(false)
      }),
    )
  })

  test('the order in which slots are listed decides nothing but the order of findings', () => {
    fc.assert(
      fc.property(anyRequest, (request) => {
        const turned = {
          ...request,
          machine: { ...request.machine, slots: [...request.machine.slots].reverse() },
        }
        const { findings, ...figures } = evaluate(request)
        const { findings: other, ...otherFigures } = evaluate(turned)
        expect(otherFigures).toEqual(figures)
        const codes = (list: typeof findings) => list.map(({ code }) => code).sort()
        expect(codes(other)).toEqual(codes(findings))
      }),
    )
  })
})
