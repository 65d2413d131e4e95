import { FolderInput } from 'lucide-react'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { saidOf, useImportJobMutation } from '../../base/data'
import { notify } from '../../base/toast'
import { ErrorText, FileDrop } from '../../base/ui'

/** Takes in a job that was saved as a file, here or elsewhere. */
export function ImportJob() {
  const navigate = useNavigate()
  const [importJob, { isLoading }] = useImportJobMutation()
  const [fault, setFault] = useState('')

  async function take([file]: File[]) {
    if (!file) return
    setFault('')
    const answer = await importJob(file)
    if (!answer.data) {
      setFault(reasonOf(answer.error))
      return
    }
    const { id, number, numberBefore } = answer.data
    notify(
      number === numberBefore
        ? `Job ${number} is here.`
        : `Job ${numberBefore} is here as job ${number}.`,
    )
    navigate(`/jobs/${id}`)
  }

  return (
    <div className="flex flex-wrap items-center gap-3">
      <FileDrop
        label="A job saved as a file"
        accept=".zip,application/zip"
        disabled={isLoading}
        onFiles={take}
      >
        <FolderInput size={17} aria-hidden />{' '}
        {isLoading ? 'Reading the file…' : 'Import a job file'}
      </FileDrop>
      <ErrorText>{fault}</ErrorText>
    </div>
  )
}

function reasonOf(error: unknown): string {
  return saidOf(error, 'The server does not answer. Nothing was taken in; try again.')
}
