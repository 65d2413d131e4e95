export { answerCreated, idOf, versionOf } from './answer'
export { customerKind, jobKind, machineKind, moduleKind, planKind } from './kinds'
export { type Created, change, create, find, remove } from './store'
