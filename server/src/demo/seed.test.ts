import { evaluate } from '@tembrix/core/evaluate'
import { JobFile, piecesById, placementOf, STAGES } from '@tembrix/core/records'
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

  test('is not laid over what is there already', async () => {
    await seed(server.db())
    expect((await server.get('/jobs')).body).toHaveLength(files.length)
  })
})
