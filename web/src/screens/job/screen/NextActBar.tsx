import { ArrowRight } from 'lucide-react'
import { useCallback } from 'react'
import { Link, useLocation, useNavigate } from 'react-router'
import { useCommand } from '../../../base/keys'
import { ACTS } from '../../../parts/acts'
import { useJob, useNextAct, useShop } from '../base/file'
import { stepsOf } from './steps'

/** Foot of every step: the one thing to be done next, what is missing for it, and the way there. */
export function NextActBar() {
  const view = useJob()
  const { terms } = useShop()
  const act = useNextAct()
  const { pathname } = useLocation()
  const navigate = useNavigate()
  const { words, step, to } = ACTS[act]
  const place = to ?? (step ? `/jobs/${view.file.id}/${step}` : null)
  const go = useCallback(() => {
    if (place) navigate(place)
  }, [navigate, place])
  useCommand(`next: ${words.toLowerCase()}`, place ? go : undefined)
  if (!place) return null
  const of = stepsOf(view, terms).find(({ path }) => path === step)
  const isHere = pathname === place
  return (
    <section
      aria-label="Next"
      className="z-10 -mx-3 mt-4 flex flex-wrap items-center gap-x-4 gap-y-1 border-t-2 border-rule bg-sheet px-3 py-1.5 lg:sticky lg:-bottom-3 lg:-mb-3"
    >
      <p className="min-w-0 flex-1">
        <span className="text-ink-2">Next:</span> <b className="font-semibold">{words}</b>
        {of?.why && <span className="text-ink-2"> · {of.why}</span>}
      </p>
      {!isHere && (
        <Link
          to={place}
          className="inline-flex min-h-11 items-center gap-2 rounded-sm border border-rule-2 px-3.5 font-medium hover:bg-sheet-2"
        >
          {of ? `On to ${of.name}` : 'To Orders'} <ArrowRight size={17} aria-hidden />
        </Link>
      )}
    </section>
  )
}
