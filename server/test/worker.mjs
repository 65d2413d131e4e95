// A thread of the pool run from its sources, for tests.
import { register } from 'tsx/esm/api'

register()
export const { default: work } = await import('../src/base/pool/worker.ts')
export default work
