import { mkdtempSync, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { eq } from 'drizzle-orm'
import fc from 'fast-check'
import { expect, test } from 'vitest'
import { newJobBody } from '../../../test/sample'
import { useServer } from '../../../test/server'
import { passwords } from '../../base/database'
import { keyIn, newKey, seal, unseal } from '.'

const { get, post, patch, raw, db } = useServer()

const put = (id: string, password: string) =>
  raw(`/jobs/${id}/password`, {
    method: 'PUT',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ password }),
  })

test('what is sealed for a job is read with its key, for that job only, and nothing of it is changed unseen', () => {
  const [key, other] = [newKey(), newKey()]
  fc.assert(
    fc.property(fc.string({ minLength: 1 }), fc.nat(), (text, at) => {
      const sealed = seal(key, 'job', text)
      expect(unseal(key, 'job', sealed)).toBe(text)
      expect(unseal(other, 'job', sealed)).toBeNull()
      expect(unseal(key, 'another', sealed)).toBeNull()
      const bent = Buffer.from(sealed)
      const byte = at % bent.length
      bent[byte] = (bent[byte] ?? 0) ^ 1
      expect(unseal(key, 'job', bent)).toBeNull()
    }),
    { numRuns: 50 },
  )
  expect(unseal(key, 'job', Buffer.alloc(3))).toBeNull()
})

test('the key of a folder is made once, and is its owner’s', () => {
  const folder = mkdtempSync(join(tmpdir(), 'tembrix-key-'))
  const first = keyIn(folder)()
  expect(keyIn(folder)()).toEqual(first)
  expect(first).toHaveLength(32)
  expect(statSync(join(folder, 'passwords.key')).mode & 0o077).toBe(0)
  expect(readFileSync(join(folder, 'passwords.key'))).toEqual(first)
  rmSync(folder, { recursive: true })
})

test('a password is kept encrypted, shown when asked for, which the history notes, and gone when the job closes', async () => {
  const { id } = (await post('/jobs', newJobBody)).body
  expect((await get(`/jobs/${id}/password`)).body).toEqual({ password: null })
  expect((await put(id, 'quince 7')).status).toBe(204)
  const [stored] = await db().select().from(passwords).where(eq(passwords.jobId, id))
  expect(Buffer.from(stored?.sealed ?? []).toString('latin1')).not.toContain('quince')
  const { body: file } = await get(`/jobs/${id}`)
  expect(file).toMatchObject({ login: 'kept', version: 2 })
  expect(JSON.stringify(file)).not.toContain('quince')
  expect((await get(`/jobs/${id}/password`)).body).toEqual({ password: 'quince 7' })
  const lines = (await get(`/jobs/${id}/history`)).body
  expect(lines[0]).toMatchObject({ fields: ['passwordShown'] })
  expect(JSON.stringify(lines)).not.toContain('quince')
  await patch(`/jobs/${id}`, { version: 2, stage: 'closed' })
  expect((await get(`/jobs/${id}/password`)).body).toEqual({ password: null })
  expect((await put(id, 'again')).body.error.code).toBe('closed')
})

test('it is forgotten when the customer types it after all, and one of another key is not guessed', async () => {
  const { id } = (await post('/jobs', newJobBody)).body
  await put(id, 'quince 7')
  await db()
    .update(passwords)
    .set({ sealed: seal(newKey(), id, 'x') })
    .where(eq(passwords.jobId, id))
  expect((await get(`/jobs/${id}/password`)).body.error.code).toBe('other_key')
  await patch(`/jobs/${id}`, { version: 2, login: 'customer' })
  expect((await get(`/jobs/${id}/password`)).body).toEqual({ password: null })
  expect((await put(id, '')).status).toBe(400)
  expect((await put(crypto.randomUUID(), 'x')).status).toBe(404)
})
