import type { Backup, BackupContents } from '@tembrix/core/things/records'
import { Download, HardDriveDownload, RotateCcw, Upload } from 'lucide-react'
import { useEffect, useMemo, useState } from 'react'
import {
  API,
  saidOf,
  useBackupContentsQuery,
  useBackupsQuery,
  useHealthQuery,
  useImportBackupMutation,
  useMakeBackupMutation,
  useRestoreBackupMutation,
} from '../../base/data'
import { dayAndTime, plural } from '../../base/format'
import { Bar } from '../../base/shell'
import { type Column, DataTable } from '../../base/table'
import { notify } from '../../base/toast'
import {
  Button,
  callout,
  Dialog,
  ErrorText,
  FileDrop,
  LoadError,
  PageMessage,
  Waiting,
} from '../../base/ui'

/** The shop's backups: made, fetched, imported, restored. */
export function BackupsScreen() {
  const { data, error, refetch } = useBackupsQuery(undefined, { refetchOnMountOrArgChange: true })
  const [make, making] = useMakeBackupMutation()
  const [importBackup, importing] = useImportBackupMutation()
  const [chosen, setChosen] = useState<Backup | null>(null)
  const columns = useMemo(() => columnsWith(setChosen), [])

  const failed = importing.error ?? making.error
  async function makeOne() {
    const answer = await make()
    if (!answer.error) notify('The backup is made.')
  }
  return (
    <div className="flex h-dvh flex-col">
      <Bar>
        <h1 className="font-semibold">Backups</h1>
      </Bar>
      <main
        id="work"
        tabIndex={-1}
        className="outline-none mx-auto flex min-h-0 w-full max-w-4xl flex-1 flex-col gap-3 p-4"
      >
        <p>
          One is made each night, and before an update changes the tables. All that is stored is in
          it, photos too. Keep a copy on another disk: one on the same disk goes with that disk.
        </p>
        <div className="flex flex-wrap gap-3">
          <Button look="main" disabled={making.isLoading} onClick={makeOne}>
            <HardDriveDownload size={18} aria-hidden />
            {making.isLoading ? 'Making one…' : 'Make one now'}
          </Button>
          <FileDrop
            label="Backup file"
            accept=".gz,application/gzip"
            disabled={importing.isLoading}
            onFiles={([file]) => file && void importBackup(file)}
          >
            <Upload size={18} aria-hidden />
            {importing.isLoading ? 'Looking through it…' : 'Import one'}
          </FileDrop>
        </div>
        {failed && (
          <p role="alert" className={callout({ tone: 'stop' })}>
            {saidOf(failed)}
          </p>
        )}
        {error && !data ? (
          <LoadError title="The backups cannot be read" onRetry={refetch} />
        ) : !data ? (
          <Waiting>Reading the backups…</Waiting>
        ) : data.length === 0 ? (
          <PageMessage title="No backup yet">
            <p>The first is made tonight, or now.</p>
          </PageMessage>
        ) : (
          <DataTable name="Backups" rows={data} columns={columns} keyOf={({ name }) => name} />
        )}
        {chosen && <Restore backup={chosen} onClose={() => setChosen(null)} />}
      </main>
    </div>
  )
}

const columnsWith = (onRestore: (backup: Backup) => void): Column<Backup>[] => [
  {
    id: 'made',
    name: 'Made',
    fixed: true,
    narrow: 'head',
    look: 'font-medium whitespace-nowrap',
    sortBy: ({ madeAt }) => madeAt,
    cell: ({ madeAt }) => dayAndTime(madeAt),
  },
  { id: 'why', name: 'Why', sortBy: ({ name }) => whyOf(name), cell: ({ name }) => whyOf(name) },
  {
    id: 'size',
    name: 'Size',
    look: 'whitespace-nowrap',
    sortBy: ({ bytes }) => bytes,
    cell: ({ bytes }) => megabytes(bytes),
  },
  {
    id: 'acts',
    name: '',
    cell: (backup) => (
      <span className="flex gap-2 md:justify-end">
        <a
          href={`${API}/backups/${backup.name}`}
          download
          aria-label={`Download the backup of ${dayAndTime(backup.madeAt)}`}
          className="inline-flex min-h-11 items-center gap-2 rounded-sm border border-rule-2 px-3 font-medium hover:bg-sheet-2"
        >
          <Download size={17} aria-hidden /> Download
        </a>
        <Button
          aria-label={`Restore the backup of ${dayAndTime(backup.madeAt)}`}
          onClick={() => onRestore(backup)}
        >
          <RotateCcw size={17} aria-hidden /> Restore
        </Button>
      </span>
    ),
  },
]

/** One that was imported before the word changed is called so too. */
const isImported = (name: string): boolean => /-(imported|brought)\./.test(name)

const whyOf = (name: string): string =>
  name.includes('-before-update')
    ? 'before an update'
    : isImported(name)
      ? 'imported'
      : 'nightly or on demand'

const megabytes = (bytes: number): string => `${(bytes / 1e6).toFixed(1)} MB`

/** Looks through a backup, says what is in it, and asks before it takes the place of what is there. */
function Restore({ backup, onClose }: { backup: Backup; onClose: () => void }) {
  const { currentData: contents, error } = useBackupContentsQuery(backup.name)
  const [restore, restoring] = useRestoreBackupMutation()
  const [before, setBefore] = useState<string | null>(null)
  const failed = error ?? restoring.error
  return (
    <Dialog open onOpen={onClose} title="Restore this backup?">
      <div aria-live="polite" className="mb-4 flex flex-col gap-2">
        {failed ? (
          <ErrorText>{saidOf(failed)}</ErrorText>
        ) : contents ? (
          <Contents contents={contents} />
        ) : (
          <p>Looking through it, file by file…</p>
        )}
        <p>
          Everything stored since then goes out of sight, for everybody. It is kept beside the
          database in the data folder till somebody removes it. The server is away for a moment.
        </p>
        {before && <Restarting before={before} />}
      </div>
      <div className="flex flex-wrap justify-end gap-3">
        <Button onClick={onClose}>Leave all as it is</Button>
        <Button
          look="stop"
          disabled={!contents || restoring.isLoading || before !== null}
          onClick={async () => {
            const { data } = await restore(backup.name)
            if (data) setBefore(data.started)
          }}
        >
          Restore it
        </Button>
      </div>
    </Dialog>
  )
}

function Contents({ contents: { madeAt, jobs, modules } }: { contents: BackupContents }) {
  return (
    <p>
      <b className="font-semibold">As of {dayAndTime(madeAt)}:</b> {plural(jobs, 'job')},{' '}
      {plural(modules, 'module')}. Every file of it is whole.
    </p>
  )
}

/** How often the server is asked whether it is there again, ms. */
const AGAIN = 500

/** Waits for a server that started after `before`, and begins again with what it has. */
function Restarting({ before }: { before: string }) {
  const { data } = useHealthQuery(undefined, { pollingInterval: AGAIN })
  const isBack = data !== undefined && data.started !== before
  useEffect(() => {
    if (isBack) location.assign('/')
  }, [isBack])
  return (
    <p role="status" className={callout({ tone: 'good' })}>
      Restoring. This page starts over as soon as the server is there again.
    </p>
  )
}
