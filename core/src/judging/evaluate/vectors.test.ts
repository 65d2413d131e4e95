import { describe, expect, test } from 'vitest'
import cases from '../../../test/evaluation.json'
import { type Evaluation, EvaluationRequest, type Finding } from '../../things/model'
import { evaluate } from './evaluate'

function comparable(findings: Finding[]): string[] {
  return findings
    .map(({ code, severity, slots }) =>
      [code, severity, severity === 'stop' ? slots : ''].join(' '),
    )
    .sort()
}

function expectClose(actual: unknown, expected: unknown, path: string): void {
  if (typeof expected === 'number') {
    expect(Math.abs((actual as number) - expected), path).toBeLessThanOrEqual(1e-6)
  } else if (typeof expected === 'object' && expected !== null) {
    expect(Object.keys(actual as object).sort(), path).toEqual(Object.keys(expected).sort())
    for (const [key, value] of Object.entries(expected)) {
      expectClose((actual as Record<string, unknown>)[key], value, `${path}.${key}`)
    }
  } else {
    expect(actual, path).toEqual(expected)
  }
}

describe('the worked cases of the contract', () => {
  test.each(cases)('$name', ({ request, result }) => {
    const { findings, ...figures } = evaluate(EvaluationRequest.parse(request))
    const { findings: expected, ...expectedFigures } = result as Evaluation
    expect(comparable(findings)).toEqual(comparable(expected))
    expectClose(figures, expectedFigures, 'result')
  })
})
