export { createProbeApp, type ProbeAddress, ProbeListener, probeAddress } from './listener'
export { probeRoutes, Senders } from './routes'
