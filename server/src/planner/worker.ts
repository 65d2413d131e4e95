import { parentPort, workerData } from 'node:worker_threads'
import { plan } from '@tembrix/core/plan'

parentPort?.postMessage(plan(workerData))
