import { evaluate } from '@tembrix/core/judging/evaluate'
import { modulesRead, read } from '@tembrix/core/reading/inputs'
import { JobFile, ModelRecord, piecesById, placementOf, STAGES } from '@tembrix/core/things/records'
import { beforeAll, describe, expect, test } from 'vitest'
import { useServer } from '../../test/server'
import { seed } from './seed'

const server = useServer()
let files: JobFile[] = []

beforeAll(async () => {
  await seed(server.db())
  const lines = (await server.get('/jobs')).body as { id: string }[]
  files = []
  for (const { id } of lines) files.push(JobFile.parse((await server.get(`/jobs/${id}`)).body))
})

describe('the demonstration', () => {
  test('has a dozen jobs over all stages and kinds of machine', () => {
    expect(files.length).toBeGreaterThanOrEqual(12)
    expect(new Set(files.map(({ stage }) => stage))).toEqual(new Set(STAGES))
    const kinds = new Set(files.map(({ machine }) => machine.machine.kind))
    expect([...kinds].sort()).toEqual(['all-in-one', 'desktop', 'laptop', 'workstation'])
  })

  test('plans only what starts, and fits what was found', async () => {
    const shop = (await server.get('/modules?shop=1')).body
    for (const { machine, modules, found, plans } of files) {
      const pieces = piecesById([...modules, ...shop])
      const starts = (slots: typeof found, profile: boolean) =>
        evaluate({
          machine: machine.machine,
          placement: placementOf(machine.machine, slots, pieces),
          settings: { profile },
        }).starts
      if (Object.keys(found).length > 0) expect(starts(found, false)).toBe(true)
      for (const plan of plans) {
        if (plan.placement) expect(starts(plan.placement, plan.profile)).toBe(true)
      }
    }
  })

  test('holds readings that can be read, on jobs with contradictions to settle', () => {
    const readings = files.flatMap((file) => file.readings)
    expect(readings.length).toBeGreaterThanOrEqual(3)
    for (const { text } of readings) {
      const { format, observations } = read(text ?? '')
      expect(format).not.toBe('unknown')
      expect(modulesRead(observations).length).toBeGreaterThan(0)
    }
  })

  test('has machine records with sources, and a validated list', async () => {
    const models = (await server.get('/models')).body
    expect(models.length).toBeGreaterThanOrEqual(4)
    for (const model of models) expect(ModelRecord.parse(model).sources).not.toEqual({})
    expect((await server.get('/validated-lists')).body).toMatchObject([{ count: 4 }])
    expect(files.some(({ machine }) => machine.modelId !== null)).toBe(true)
  })

  test('is not laid over what is there already', async () => {
    await seed(server.db())
    expect((await server.get('/jobs')).body).toHaveLength(files.length)
  })
})
