import type { UnknownAction } from '@reduxjs/toolkit'
import { acted, changed, created, removed } from './outbox'
import type { Write } from './writes'

/** The actions that send writes off: one by itself, several as the act `name`. */
export function put(jobId: string, name: string, writes: readonly Write[]): UnknownAction[] {
  const [only, ...more] = writes
  if (!only) return []
  if (more.length > 0) return [acted(jobId, name, writes)]
  const { collection, recordId, fields } = only
  const target = { jobId, collection, recordId }
  switch (only.action) {
    case 'create':
      return [created(target, fields as never)]
    case 'change':
      return [changed({ ...target, version: only.version }, fields, only.before)]
    case 'remove':
      return [removed({ ...target, version: only.version })]
    case 'expect':
      return []
  }
}
