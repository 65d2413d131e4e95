import { randomBytes, randomInt } from 'node:crypto'
import { addMinutes } from 'date-fns'
import { and, eq, gt, lt } from 'drizzle-orm'
import { type Database, probeCodes, verifications } from '../../base/database'
import { HttpError } from '../../base/http'
import { find, jobKind } from '../../things/store'

/** How long a code and what it opened are good for, minutes. */
const GOOD_FOR = 30
const DIGITS = 6

/** Wrong codes that are heard out in so many minutes, from anybody. */
const WRONG_AT_MOST = 10
const WITHIN_MINUTES = 10

/** A new code for a job; it opens once. */
export async function newCode(db: Database, jobId: string, now = new Date()) {
  const moment = now.toISOString()
  await db.transaction((tx) => find(tx, jobKind, jobId))
  await db.delete(probeCodes).where(lt(probeCodes.until, moment))
  const until = addMinutes(now, GOOD_FOR).toISOString()
  for (;;) {
    const code = String(randomInt(10 ** DIGITS)).padStart(DIGITS, '0')
    const [made] = await db
      .insert(probeCodes)
      .values({ code, jobId, until })
      .onConflictDoNothing()
      .returning()
    if (made) return { code, until }
  }
}

/** Counts wrong codes, so that nobody tries them all. */
export class Guard {
  private wrong: number[] = []

  /** @throws HttpError 429 `too_many_tries` after too many wrong codes. */
  check(now: number): void {
    this.wrong = this.wrong.filter((at) => now - at < WITHIN_MINUTES * 60_000)
    if (this.wrong.length >= WRONG_AT_MOST) {
      throw new HttpError(429, 'too_many_tries', 'Too many wrong codes. Wait ten minutes.')
    }
  }

  note(now: number): void {
    this.wrong.push(now)
  }
}

/** A code as it was typed, blanks and all. */
export const sixDigits = (typed: string): string => typed.replace(/\s/g, '')

/**
 * Opens a code: a token that can add measurements to the code’s job, and do nothing else; with it the
 * job, and what the page must know to say in which configuration it measures.
 * @throws HttpError 404 `no_such_code`, 410 `code_late` or `code_used`.
 */
export async function redeemCode(db: Database, guard: Guard, code: string, now = new Date()) {
  guard.check(now.getTime())
  return db.transaction(async (tx) => {
    const [held] = await tx.select().from(probeCodes).where(eq(probeCodes.code, code)).for('update')
    if (!held) {
      guard.note(now.getTime())
      throw new HttpError(404, 'no_such_code', 'There is no such code. Look at the job once more.')
    }
    if (held.until < now.toISOString()) {
      throw new HttpError(410, 'code_late', 'The code has run out. Make a new one in the job.')
    }
    if (held.token !== null) {
      throw new HttpError(410, 'code_used', 'The code was used already. Make a new one in the job.')
    }
    const token = randomBytes(24).toString('base64url')
    await tx.update(probeCodes).set({ token }).where(eq(probeCodes.code, code))
    const job = await find(tx, jobKind, held.jobId)
    const [verification] = await tx
      .select({ changes: verifications.changes })
      .from(verifications)
      .where(eq(verifications.jobId, held.jobId))
    const changes = verification?.changes ?? null
    return {
      token,
      jobId: held.jobId,
      number: job.number,
      until: held.until,
      changes,
    }
  })
}

/** The job a token may add to; null where it may not (any more). */
export async function jobOfToken(db: Database, token: string, now = new Date()) {
  const [held] = await db
    .select()
    .from(probeCodes)
    .where(and(eq(probeCodes.token, token), gt(probeCodes.until, now.toISOString())))
  return held?.jobId ?? null
}
