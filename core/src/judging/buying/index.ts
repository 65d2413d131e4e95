export { type Candidate, type Compared, compareBuying, factoryGiB, factoryModules } from './compare'
