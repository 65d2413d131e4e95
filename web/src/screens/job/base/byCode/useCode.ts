import { useEffect, useState } from 'react'
import { API } from '../../../../base/data'
import { useJob } from '../file'
import type { Reached } from './Reach'

export interface ByCode {
  /** Null while none is out. */
  code: string | null
  make: () => Promise<void>
  reach: Reached | null
  setReach: (reach: Reached) => void
  fault: string
  setFault: (fault: string) => void
}

/** A short code of the job; while it is out, what comes by it appears by itself. `count` is how much has come. */
export function useCode(count: number): ByCode {
  const { file } = useJob()
  const [code, setCode] = useState<{ code: string; until: string } | null>(null)
  const [fault, setFault] = useState('')
  const [reach, setReach] = useState<Reached | null>(null)

  useEffect(() => {
    if (!code) return
    const left = Date.parse(code.until) - Date.now()
    const timer = setTimeout(() => setCode(null), left)
    return () => clearTimeout(timer)
  }, [code])

  // biome-ignore lint/correctness/useExhaustiveDependencies: the code has done its work once something came
  useEffect(() => setCode(null), [count])

  async function make() {
    setFault('')
    try {
      const response = await fetch(`${API}/probe/codes`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ jobId: file.id }),
      })
      if (!response.ok) throw new Error()
      setCode(await response.json())
      const state = await fetch(`${API}/probe/listener`)
      if (state.ok) setReach(await state.json())
    } catch {
      setFault('The server does not answer. Try again in a moment.')
    }
  }

  return { code: code?.code ?? null, make, reach, setReach, fault, setFault }
}
