import { Ban, Check, TriangleAlert } from 'lucide-react'
import { memo, useCallback, useEffect, useRef } from 'react'
import { NavLink, useLocation, useNavigate, useParams } from 'react-router'
import { useCommand } from '../../../base/keys'
import { useJob, useShop } from '../base/file'
import { type Step, stepsOf } from './steps'

/** The steps of the job: done, needing attention, blocked and by what. */
export const Rail = memo(function Rail() {
  const { terms } = useShop()
  const steps = stepsOf(useJob(), terms)
  const { pathname } = useLocation()
  const rail = useRef<HTMLElement>(null)
  // biome-ignore lint/correctness/useExhaustiveDependencies: the step that is open has changed with it
  useEffect(() => {
    const open = rail.current?.querySelector<HTMLElement>('[aria-current]')
    if (open && rail.current) rail.current.scrollLeft = open.offsetLeft - 40
  }, [pathname])
  return (
    <nav
      ref={rail}
      aria-label="Steps"
      className="relative flex shrink-0 overflow-x-auto bg-sheet lg:w-36 lg:flex-col lg:py-1"
    >
      {steps.map((step, at) => (
        <StepLink key={step.stage} {...step} number={at + 1} />
      ))}
    </nav>
  )
})

const StepLink = memo(function StepLink({
  name,
  path,
  state,
  why,
  number,
}: Step & { number: number }) {
  const navigate = useNavigate()
  const { id } = useParams()
  const go = useCallback(() => navigate(`/jobs/${id}/${path}`), [navigate, id, path])
  useCommand(`go to ${name}`, go)
  const shape = 'flex min-h-12 items-center gap-2.5 border-b-4 px-3 lg:border-b-0 lg:border-l-4'
  const inside = (
    <>
      <StepMark state={state} number={number} />
      <span className="whitespace-nowrap">
        {name}
        {state === 'blocked' && (
          <span className="block text-[0.75rem] leading-tight whitespace-normal">{why}</span>
        )}
      </span>
    </>
  )
  return (
    <NavLink
      to={path}
      title={why}
      className={({ isActive }) =>
        `${shape} ${isActive ? 'border-act bg-act-soft font-semibold' : 'border-transparent hover:bg-sheet-2'}`
      }
    >
      {inside}
    </NavLink>
  )
})

function StepMark({ state, number }: { state: Step['state']; number: number }) {
  const box =
    'grid size-6 shrink-0 place-items-center rounded-full border-2 text-[0.8rem] font-semibold'
  if (state === 'done')
    return (
      <span className={`${box} border-act bg-act text-act-ink`}>
        <Check size={14} strokeWidth={3} aria-label="done" />
      </span>
    )
  if (state === 'attention')
    return (
      <span className={`${box} border-risk-line bg-risk-soft text-risk`}>
        <TriangleAlert size={13} aria-label="needs attention" />
      </span>
    )
  if (state === 'blocked')
    return (
      <span className={`${box} border-stop text-stop`}>
        <Ban size={14} aria-label="blocked" />
      </span>
    )
  return <span className={`${box} border-rule-2`}>{number}</span>
}
