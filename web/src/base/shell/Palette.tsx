import { skipToken } from '@reduxjs/toolkit/query'
import { matcherOf } from '@tembrix/core/shop/counter'
import type { CounterState } from '@tembrix/core/things/records'
import { Command } from 'cmdk'
import { Plus } from 'lucide-react'
import { type ReactNode, useDeferredValue, useState } from 'react'
import { useNavigate } from 'react-router'
import {
  loadedRows,
  useCustomersQuery,
  useJobsInfiniteQuery,
  useMeantQuery,
  useModelsQuery,
} from '../data'
import { capital } from '../format'
import { Keys, useCommands } from '../keys'
import { ALL_PLACES } from './places'

/** Where a job is, in a word. */
const STATE_NAMES: Record<CounterState, string> = {
  workshop: 'in the workshop',
  approval: 'waiting for approval',
  parts: 'waiting for parts',
  bench: 'on the bench',
  ready: 'ready to collect',
  closed: 'closed',
}

/** Jobs shown of all that match. */
const MOST = 8

/** Everything that can be done here or opened, by any word of it. */
export function Palette({ onClose }: { onClose: () => void }) {
  const navigate = useNavigate()
  const commands = useCommands()
  const [typed, setTyped] = useState('')
  const [chosen, setChosen] = useState('')
  const search = useDeferredValue(typed.trim())
  const { data: found } = useJobsInfiniteQuery({ search, stage: '' })
  const { data: models = [] } = useModelsQuery()
  const jobs = (loadedRows(found) ?? []).slice(0, MOST)
  const { currentData: customers = [] } = useCustomersQuery(search === '' ? skipToken : search)
  const says = matcherOf(search)
  const { data: meant = null } = useMeantQuery(
    search !== '' && found !== undefined && jobs.length === 0 ? search : skipToken,
  )
  const doable = commands.filter(({ name }) => says(name))
  const places = [{ to: '/jobs/new', name: 'New job', icon: Plus }, ...ALL_PLACES].filter(
    ({ name }) => says(name),
  )
  const records = search === '' ? [] : models.filter(({ machine }) => says(machine.name))
  // What the server finds comes later than what is here: the first of all stays chosen until another is.
  const values = [
    ...doable.map(({ name }) => `do ${name}`),
    ...jobs.map(({ id }) => `job ${id}`),
    ...customers.map(({ id }) => `customer ${id}`),
    ...(meant && jobs.length === 0 ? ['meant'] : []),
    ...places.map(({ to }) => `place ${to}`),
    ...records.map(({ id }) => `record ${id}`),
  ]
  const run = (act: () => void) => {
    onClose()
    act()
  }
  const open = (to: string) => run(() => navigate(to))
  return (
    <Command.Dialog
      open
      shouldFilter={false}
      value={values.includes(chosen) ? chosen : (values[0] ?? '')}
      onValueChange={setChosen}
      onOpenChange={(isOpen) => !isOpen && onClose()}
      label="Find what can be done or opened"
      overlayClassName="fixed inset-0 z-40 bg-black/50"
      contentClassName="fixed top-[12vh] left-1/2 z-50 w-[min(94vw,40rem)] -translate-x-1/2 overflow-hidden rounded-md border-2 border-ink bg-sheet text-ink"
    >
      <Command.Input
        value={typed}
        onValueChange={setTyped}
        placeholder="A customer, a job number, a place, something to do"
        className="h-13 w-full border-b-2 border-rule bg-sheet px-4 text-lg outline-none"
      />
      <Command.List className="max-h-[60vh] overflow-auto p-1.5">
        <Command.Empty className="p-4 text-ink-2">No match.</Command.Empty>
        <Group name="Here">
          {doable.map(({ name, act, shown }) => (
            <Item key={name} value={`do ${name}`} onSelect={() => run(act)}>
              {capital(name)}
              {shown && (
                <span className="ml-auto text-sm text-ink-2">
                  <Keys shown={shown} />
                </span>
              )}
            </Item>
          ))}
        </Group>
        <Group name="Jobs">
          {jobs.map(({ id, number, customerName, machineName, state, phone }) => (
            <Item key={id} value={`job ${id}`} onSelect={() => open(`/jobs/${id}`)}>
              <b className="font-mono font-semibold">{number}</b>
              <span className="truncate">
                {customerName}{' '}
                <span className="text-ink-2">
                  · {machineName}
                  {phone && ` · ${phone}`}
                </span>
              </span>
              <span className="ml-auto text-sm whitespace-nowrap text-ink-2">
                {STATE_NAMES[state]}
              </span>
            </Item>
          ))}
        </Group>
        <Group name="Customers">
          {customers.map(({ id, name, phone }) => (
            <Item key={id} value={`customer ${id}`} onSelect={() => open(`/customers/${id}`)}>
              {name}
              {phone && <span className="ml-auto text-sm text-ink-2">{phone}</span>}
            </Item>
          ))}
        </Group>
        <Group name="Did you mean">
          {meant && jobs.length === 0
            ? [
                <Item key="meant" value="meant" onSelect={() => setTyped(meant)}>
                  {meant}
                </Item>,
              ]
            : []}
        </Group>
        <Group name="Go to">
          {places.map(({ to, name, icon: Icon }) => (
            <Item key={to} value={`place ${to}`} onSelect={() => open(to)}>
              <Icon size={17} aria-hidden className="text-ink-2" /> {name}
            </Item>
          ))}
        </Group>
        <Group name="Machine records">
          {records.map(({ id, machine }) => (
            <Item key={id} value={`record ${id}`} onSelect={() => open(`/machines/${id}`)}>
              {machine.name}
            </Item>
          ))}
        </Group>
      </Command.List>
    </Command.Dialog>
  )
}

function Group({ name, children }: { name: string; children: readonly ReactNode[] }) {
  if (children.length === 0) return null
  return (
    <Command.Group
      heading={name}
      className="[&_[cmdk-group-heading]]:px-2.5 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:pb-1 [&_[cmdk-group-heading]]:text-sm [&_[cmdk-group-heading]]:text-ink-2"
    >
      {children}
    </Command.Group>
  )
}

function Item({
  value,
  onSelect,
  children,
}: {
  value: string
  onSelect: () => void
  children: ReactNode
}) {
  return (
    <Command.Item
      value={value}
      onSelect={onSelect}
      className="flex min-h-11 cursor-pointer items-center gap-2.5 rounded-sm px-2.5 data-[selected=true]:bg-act-soft"
    >
      {children}
    </Command.Item>
  )
}
