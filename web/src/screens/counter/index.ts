export { CounterScreen } from './CounterScreen'
