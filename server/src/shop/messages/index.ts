export { type Gateway, GatewayFailed, type Outgoing, type Status } from './gateway'
export { round, startOutbox } from './outbox'
export { simulatedGateway } from './simulated'
