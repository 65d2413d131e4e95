export {
  type Compared,
  compareBuying,
  factoryGiB,
  factoryModules,
  type MachineCandidate,
} from './compare'
