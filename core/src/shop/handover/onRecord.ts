import type { Module } from '../../things/model'
import type { HandoverDocument, Terms } from '../../things/records'
import type { HandoverFacts } from './facts'
import { monthsFor, termFrom } from './warranty'

/** What of a report is taken from the record as it stands, without a sentence. */
export type OnRecord = Pick<
  HandoverDocument,
  | 'shopName'
  | 'address'
  | 'machineName'
  | 'board'
  | 'fitted'
  | 'removed'
  | 'work'
  | 'currency'
  | 'toPay'
  | 'paid'
>

/** How a module is called: shortly where it is drawn, with its part number where it is listed. */
export interface ModuleNames {
  drawn: (module: Module) => string
  listed: (module: Module) => string
}

/** The parts of a report that are no sentences; warranties begin on the day `on` (ISO date). */
export function onRecord(
  facts: HandoverFacts,
  terms: Terms,
  on: string,
  { drawn, listed }: ModuleNames,
): OnRecord {
  const { shopName, address, currency, warranty } = terms
  return {
    shopName,
    address,
    machineName: facts.machine.name,
    board: boardOf(facts, drawn),
    fitted: facts.parts.map(({ slot, module, state, serial, makerUntil }) => ({
      slot,
      text: listed(module),
      serial,
      state,
      shop: termFrom(on, monthsFor(state, warranty)),
      makerUntil,
    })),
    removed: facts.removed.map(({ module, serial, to }) => ({ text: listed(module), serial, to })),
    work: facts.fitted ? termFrom(on, warranty.work) : null,
    currency,
    toPay: facts.toPay,
    paid: facts.paid,
  }
}

/** Slot by slot, soldered memory first. */
function boardOf(
  { machine, before, after }: HandoverFacts,
  drawn: ModuleNames['drawn'],
): HandoverDocument['board'] {
  const soldered = machine.soldered.map(({ channel, module }) => ({
    slot: 'soldered',
    channel: String(channel),
    before: drawn(module),
    now: drawn(module),
    changed: false,
  }))
  const slots = machine.slots.map(({ id, channel }) => {
    const [was, is] = [before.placement[id], after.placement[id]]
    const [held, holds] = [before.assignment[id], after.assignment[id]]
    return {
      slot: id,
      channel: String(channel),
      before: was ? drawn(was) : null,
      now: is ? drawn(is) : null,
      changed: held?.moduleId !== holds?.moduleId || held?.unit !== holds?.unit,
    }
  })
  return [...soldered, ...slots]
}
