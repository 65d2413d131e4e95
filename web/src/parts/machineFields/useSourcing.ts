import type { Sources } from '@tembrix/core/things/records'
import { useTechnician } from '../../base/shell'
import type { Sourcing } from './SourceOf'

/** The sources of a record's figures; what is said is saved with who said it and when. */
export function useSourcing(sources: Sources, save: (sources: Sources) => void): Sourcing {
  const [technician] = useTechnician()
  return {
    sources,
    say: (what, source, note = '') => {
      const origin = { source, note, by: technician, at: new Date().toISOString() }
      save({ ...sources, [what]: origin })
    },
  }
}
