import type { Module } from '@tembrix/core/things/model'
import { plural } from '../../base/format'
import type { Column } from '../../base/table'
import { describeModule, organisation } from '../../parts/board'
import { kitOf } from './words'

interface Sold {
  module: Module
  leadDays: number | null
}

/** What is sold: the module, its part number, singly or as a kit. */
export const WHAT: readonly Column<Pick<Sold, 'module'>>[] = [
  {
    id: 'module',
    name: 'Module',
    fixed: true,
    narrow: 'head',
    look: 'font-semibold',
    sortBy: ({ module }) => describeModule(module),
    cell: ({ module }) => (
      <>
        {describeModule(module)}{' '}
        <span className="text-sm font-normal text-ink-2">{organisation(module)}</span>
      </>
    ),
  },
  {
    id: 'part',
    name: 'Part number',
    sortBy: ({ module }) => module.article,
    cell: ({ module }) => module.article,
  },
  {
    id: 'sold',
    name: 'Sold as',
    look: 'whitespace-nowrap',
    sortBy: ({ module }) => kitOf(module),
    cell: ({ module }) => kitOf(module),
  },
]

export const COMES: Column<Pick<Sold, 'leadDays'>> = {
  id: 'comes',
  name: 'Comes in',
  look: 'whitespace-nowrap',
  sortBy: ({ leadDays }) => leadDays,
  cell: ({ leadDays }) => (leadDays === null ? '–' : plural(leadDays, 'day')),
}
