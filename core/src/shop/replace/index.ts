export {
  type BadModule,
  badModule,
  type Replacement,
  replacementsFor,
  replaceWith,
  type ToReplace,
} from './replace'
