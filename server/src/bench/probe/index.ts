export { createProbeApp, type ProbeAddress, ProbeListener, probeAddress } from './listener'
export { reportRoutes } from './report'
export { probeRoutes } from './routes'
export { Senders } from './senders'
