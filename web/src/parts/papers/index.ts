export { promise } from './papers'
export { usePaper } from './usePaper'
