export { type Identity, writeDdr3, writeDdr4, writeDdr5 } from '../contents'
export * from '../facts'
export {
  isSoldered,
  mayBeSoldered,
  type ReportedModule,
  writeCimCsv,
  writeSmbios,
} from '../printouts'
export { type AnsweredModule, answerOf, answerTo, moduleFigures, type ReadAnswer } from './answer'
export { read } from './read'
export { textOfBytes } from './text'
