import type { APIRequestContext } from '@playwright/test'
import type { Application } from './application'
import { expect } from './fixtures'

/** Calls of a job's API, each expected to be taken. */
export function apiOf(request: APIRequestContext, app: Application) {
  const api = `${app.address}/api/v1`
  const taken = async (method: 'post' | 'patch', path: string, data: object) => {
    const answer = await request[method](`${api}/${path}`, { data })
    expect(answer.ok(), `${method} ${path}: ${await answer.text()}`).toBe(true)
    return answer.json()
  }
  return {
    read: async (path: string) => (await request.get(`${api}/${path}`)).json(),
    post: (path: string, data: object) => taken('post', path, data),
    patch: (path: string, data: object) => taken('patch', path, data),
  }
}

/**
 * Notes trials that name one module of two (`moduleId unit`) as bad: with it the machine does not start, in either
 * slot and again and again; with the other one alone it passes.
 */
export async function noteBad(
  { post, patch }: ReturnType<typeof apiOf>,
  jobId: string,
  { good, bad }: { good: string; bad: string },
) {
  const trial = (arrangement: Record<string, string>, starts: boolean) => ({
    id: crypto.randomUUID(),
    arrangement,
    reseat: true,
    profile: false,
    depth: starts ? 'test' : 'start',
    action: null,
    unsure: false,
    code: '',
    outcome: { kind: starts ? 'PASS' : 'NO_START' },
    at: '2030-02-10T09:00:00.000Z',
    by: 'Mika',
  })
  const alternating = Array.from({ length: 5 }, () => [
    trial({ A: good }, true),
    trial({ A: bad }, false),
  ])
  const trials = [trial({ A: good, B: bad }, false), ...alternating.flat()]
  const record = await post('verifications', { id: jobId, jobId })
  await patch(`verifications/${jobId}`, { version: record.version, trials })
}
