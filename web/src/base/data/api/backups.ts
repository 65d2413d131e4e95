import type { Backup, BackupContents } from '@tembrix/core/things/records'
import { api } from './api'

const backupsApi = api.injectEndpoints({
  endpoints: (build) => ({
    backups: build.query<Backup[], void>({ query: () => '/backups', providesTags: ['backups'] }),
    makeBackup: build.mutation<Backup, void>({
      query: () => ({ url: '/backups', method: 'POST' }),
      invalidatesTags: ['backups'],
    }),
    importBackup: build.mutation<Backup, File>({
      query: (body) => ({ url: '/backups/import', method: 'POST', body }),
      invalidatesTags: ['backups'],
    }),
    backupContents: build.query<BackupContents, string>({
      query: (name) => `/backups/${name}/contents`,
      keepUnusedDataFor: 0,
    }),
    /** The server is away for a moment then; `started` is when it was started before. */
    restoreBackup: build.mutation<BackupContents & { started: string }, string>({
      query: (name) => ({ url: `/backups/${name}/restore`, method: 'POST' }),
    }),
    health: build.query<{ started: string }, void>({ query: () => '/health' }),
  }),
})

export const {
  useBackupContentsQuery,
  useBackupsQuery,
  useHealthQuery,
  useImportBackupMutation,
  useMakeBackupMutation,
  useRestoreBackupMutation,
} = backupsApi
