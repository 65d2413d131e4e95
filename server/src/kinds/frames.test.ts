import { analyseFrames } from '@tembrix/core/bench/measure'
import { expect, test } from 'vitest'
import { newJobBody } from '../../test/sample'
import { useServer } from '../../test/server'

const { get, post, patch, remove } = useServer()

const analysed = () => {
  const frames = analyseFrames(Float64Array.of(16, 17, 16, 40))
  if (!frames) throw new Error('no frames')
  const { figures, bins, line } = frames
  return { figures, bins, line }
}

test('a log of frame times is kept with its job, changed, and removed', async () => {
  const { id: jobId } = (await post('/jobs', newJobBody)).body
  const log = { jobId, test: 'Gallery', configuration: 'first', name: 'a.csv', ...analysed() }
  const made = await post('/frames', log)
  expect(made).toMatchObject({ status: 201, body: { ...log, version: 1 } })
  expect((await get(`/jobs/${jobId}`)).body.frames).toEqual([made.body])
  const moved = await patch(`/frames/${made.body.id}`, { version: 1, configuration: 'after' })
  expect(moved.body).toMatchObject({ configuration: 'after', version: 2 })
  const stale = await patch(`/frames/${made.body.id}`, { version: 1, configuration: 'before' })
  expect(stale.status).toBe(409)
  expect((await remove(`/frames/${made.body.id}?version=2`)).status).toBe(204)
  expect((await get(`/jobs/${jobId}`)).body.frames).toEqual([])
})

test.each([
  ['figures.averageRate', { figures: { ...analysed().figures, averageRate: -1 } }],
  ['bins', { bins: [1, 2] }],
  ['line', { line: [] }],
  ['configuration', { configuration: 'between' }],
])('a log whose %s cannot be is refused there', async (path, wrong) => {
  const { id: jobId } = (await post('/jobs', newJobBody)).body
  const log = { jobId, test: 'Gallery', configuration: 'after', name: '', ...analysed(), ...wrong }
  const { status, body } = await post('/frames', log)
  expect(status).toBe(400)
  expect(body.error.fields[0].path).toBe(path)
})
