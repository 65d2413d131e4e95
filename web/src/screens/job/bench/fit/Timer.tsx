import { Pause, Play } from 'lucide-react'
import { useEffect, useState } from 'react'
import { type Fitting, secondsUntil } from './useFit'

/** Minutes at work, beside those the steps should take. */
export function Timer({ fitting: { fit, minutes, settle } }: { fitting: Fitting }) {
  const [now, setNow] = useState(() => Date.now())
  const running = fit.runningSince !== null
  useEffect(() => {
    if (!running) return
    setNow(Date.now())
    const timer = setInterval(() => setNow(Date.now()), 1000)
    return () => clearInterval(timer)
  }, [running])
  const seconds = secondsUntil(fit, now)
  const shown = `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`

  function press() {
    if (running) settle({ seconds: secondsUntil(fit, Date.now()), runningSince: null })
    else settle({ runningSince: new Date().toISOString() })
  }

  return (
    <button
      type="button"
      onClick={press}
      aria-label={`${running ? 'Stop' : 'Start'} the clock, ${Math.floor(seconds / 60)} of about ${minutes} minutes`}
      title={`About ${minutes} minutes by the steps`}
      className={`mr-2 flex min-h-11 items-center gap-1.5 rounded-sm px-2 font-mono text-sm hover:bg-sheet-2 ${seconds > minutes * 60 ? 'text-risk' : ''}`}
    >
      {running ? <Pause size={16} aria-hidden /> : <Play size={16} aria-hidden />}
      {shown}
      <span className="text-ink-2">/ {minutes}</span>
    </button>
  )
}
