import { createSelector } from '@reduxjs/toolkit'
import type { JobFile } from '@tembrix/core/things/records'
import { useMemo } from 'react'
import { shallowEqual } from 'react-redux'
import { useJobPart } from './JobContext'

/** Some fields of the job (always the same `names`), as a record of its own; who asks is rendered again for these alone. */
export function useJobFields<Name extends keyof JobFile>(
  names: readonly Name[],
): Pick<JobFile, Name | 'id' | 'version'> {
  const select = useMemo(
    () =>
      createSelector(
        (file: JobFile) => file,
        (file) =>
          Object.fromEntries(['id', 'version', ...names].map((name) => [name, file[name as Name]])),
        { memoizeOptions: { resultEqualityCheck: shallowEqual } },
      ),
    [names],
  )
  return useJobPart(({ file }) => select(file)) as Pick<JobFile, Name | 'id' | 'version'>
}
