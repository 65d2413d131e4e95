// The planner's thread run from its sources, for tests.
import { register } from 'tsx/esm/api'

register()
await import('../src/planner/worker.ts')
