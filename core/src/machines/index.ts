export { STARTING_MACHINES, type StartingMachine } from './starting'
