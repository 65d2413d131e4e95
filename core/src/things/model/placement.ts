import { z } from 'zod'
import { Lettering } from './figures'
import { Module } from './module'

/** What is in each slot, by slot id; a slot left out is empty. */
export const Placement = z.record(Lettering, Module.nullable())
export type Placement = z.infer<typeof Placement>
