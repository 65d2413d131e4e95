import { customers, jobs, machines, modules, plans } from '../database'
import { kind } from './store'

export const customerKind = kind(customers, 'customer')
export const machineKind = kind(machines, 'machine')
export const moduleKind = kind(modules, 'module', (row) => row.jobId)
export const jobKind = kind(jobs, 'job', (row) => row.id)
export const planKind = kind(plans, 'plan', (row) => row.jobId)
