import {
  fittedModules,
  type SpeedLimits as GateFigures,
  profilePossible,
  speedLimits,
} from '@tembrix/core/judging/evaluate'
import type { Evaluation, Machine, Placement } from '@tembrix/core/things/model'
import { list, plural } from '../../base/format'

interface Props {
  machine: Machine
  placement: Placement
  evaluation: Evaluation
  /** The switch that asks for the memory profile, where there is a choice. */
  profileSwitch?: React.ReactNode
}

/** The limits on the speed, in MT/s; the limiting factor stands out. */
export function SpeedLimitList({ machine, placement, evaluation, profileSwitch }: Props) {
  const fitted = fittedModules(machine, placement)
  const { run } = evaluation
  const passed = run && speedLimits(machine, fitted, run.profile ? 'profile' : 'standard')
  return (
    <ol
      aria-label="Speed limits"
      className="grid grid-cols-2 gap-1 bg-sheet px-3 pb-2 sm:grid-cols-4"
    >
      <Gate
        name="Modules"
        figure={passed ? String(passed.modules) : '–'}
        why={passed ? slowestWords(passed, fitted) : 'nothing to go by'}
        held={run?.limitedBy === 'modules'}
      />
      <Gate
        name="Controller"
        figure={passed ? String(passed.controller) : '–'}
        why={passed ? loadWords(passed, run?.profile ?? false) : 'depends on its load'}
        held={run?.limitedBy === 'controller'}
      />
      <Gate
        name="Firmware"
        figure={machine.limits.firmwareDataRate?.toString() ?? 'open'}
        why={machine.limits.firmwareDataRate ? 'highest it sets' : 'no limit known'}
        held={run?.limitedBy === 'firmware'}
      />
      <Gate
        name="Memory profile"
        figure={run?.profile ? 'on' : 'off'}
        why={
          !machine.profiles
            ? 'this machine has none'
            : fitted.length > 0 && !profilePossible(machine, fitted)
              ? 'not on every module'
              : ''
        }
        held={false}
      >
        {profileSwitch}
      </Gate>
    </ol>
  )
}

interface GateProps {
  name: string
  figure: string
  why: string
  held: boolean
  children?: React.ReactNode
}

function Gate({ name, figure, why, held, children }: GateProps) {
  return (
    <li
      className={`relative flex min-w-0 flex-col px-2.5 py-1.5 ${held ? 'border-[3px] border-ink bg-sheet-2' : 'border border-rule'}`}
    >
      <span className="flex items-baseline justify-between gap-2">
        <span className={`text-sm ${held ? 'font-bold' : ''}`}>{name}</span>
        {held && <span className="text-sm font-bold">limiting</span>}
      </span>
      <span className={`text-xl leading-tight ${held ? 'font-bold' : 'font-medium'}`}>
        {figure}
      </span>
      <span className="text-[0.8rem] leading-tight text-ink-2">{why}</span>
      {children}
    </li>
  )
}

function slowestWords(
  { modules, kind }: GateFigures,
  fitted: ReturnType<typeof fittedModules>,
): string {
  const top = (speeds: { kind: string; dataRate: number }[]) =>
    Math.max(...speeds.filter((speed) => speed.kind === kind).map(({ dataRate }) => dataRate))
  const slowest = fitted.filter(({ module }) => top(module.speeds) === modules)
  if (slowest.length === fitted.length) return fitted.length === 1 ? 'the one module' : 'all alike'
  return `slowest: ${list(slowest.map(({ slot }) => slot ?? 'soldered'))}`
}

function loadWords({ loads, controller }: GateFigures, profile: boolean): string {
  if (profile) return 'a profile may pass it'
  const tightest = loads.find(({ rating }) => rating === controller)
  if (!tightest) return ''
  const { channel, modules, ranks } = tightest
  return `${plural(modules, 'module')} of ${plural(ranks, 'rank')} on ${channel}`
}
