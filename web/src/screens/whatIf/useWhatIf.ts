import { evaluate } from '@tembrix/core/judging/evaluate'
import { fillingOrder } from '@tembrix/core/judging/plan'
import type { Evaluation, Machine, Module, Placement, Settings } from '@tembrix/core/things/model'
import { assign, nextUnit, type Piece, piecesById, placementOf } from '@tembrix/core/things/records'
import { useEffect, useMemo } from 'react'
import {
  opened,
  tried,
  triedAgain,
  triedBefore,
  useAppDispatch,
  useAppSelector,
  type WhatIf,
} from '../../base/data'
import { linkTextOf, whatIfFrom } from './link'

export interface Trying {
  state: WhatIf
  pieces: ReadonlyMap<string, Piece>
  placement: Placement
  settings: Settings
  evaluation: Evaluation
}

/** What is tried now, null before a machine is chosen. */
export function useTrying(): Trying | null {
  const state = useAppSelector(({ whatIf }) => whatIf.present)
  return useMemo(() => {
    if (!state) return null
    const pieces = piecesById(
      state.modules.map(({ id, module }) => ({ id, module, source: 'supplier', price: null })),
    )
    const placement = placementOf(state.machine, state.slots, pieces)
    const settings = { profile: state.profile }
    const evaluation = evaluate({ machine: state.machine, placement, settings })
    return { state, pieces, placement, settings, evaluation }
  }, [state])
}

/** Ways to change what is tried; each is one step that can be undone. */
export function useTry() {
  const dispatch = useAppDispatch()
  const state = useAppSelector(({ whatIf }) => whatIf.present)
  const past = useAppSelector(({ whatIf }) => whatIf.past.length)
  const future = useAppSelector(({ whatIf }) => whatIf.future.length)
  return {
    /** Begins with a machine and nothing in it. */
    begin: (machine: Machine) =>
      dispatch(tried({ machine, modules: [], slots: {}, profile: false })),
    startOver: () => dispatch(tried(null)),
    set: (changes: Partial<WhatIf>) => state && dispatch(tried({ ...state, ...changes })),
    /** Puts one more of a module in the next slot to fill; it stays in the tray where all are full. */
    add: (module: Module) => {
      if (!state) return
      const key = JSON.stringify(module)
      const known = state.modules.find((one) => JSON.stringify(one.module) === key)
      const id = known?.id ?? crypto.randomUUID()
      const modules = known ? state.modules : [...state.modules, { id, module }]
      const slot = fillingOrder(state.machine).find((one) => !state.slots[one])
      const piece = { moduleId: id, unit: nextUnit(state.slots, id) }
      const slots = slot === undefined ? state.slots : assign(state.slots, slot, piece)
      dispatch(tried({ ...state, modules, slots }))
    },
    undo: past > 0 ? () => dispatch(triedBefore()) : undefined,
    redo: future > 0 ? () => dispatch(triedAgain()) : undefined,
  }
}

/** Keeps the address a link to what is tried, and opens what the address holds. */
export function useAddress(onBroken: () => void): void {
  const dispatch = useAppDispatch()
  const state = useAppSelector(({ whatIf }) => whatIf.present)

  useEffect(() => {
    function open() {
      const text = location.hash.slice(1)
      if (text === '') return
      const linked = whatIfFrom(text)
      if (linked) dispatch(opened(linked))
      else onBroken()
    }
    open()
    window.addEventListener('hashchange', open)
    return () => window.removeEventListener('hashchange', open)
  }, [dispatch, onBroken])

  useEffect(() => {
    const hash = state ? `#${linkTextOf(state)}` : location.pathname
    if (state && location.hash === hash) return
    history.replaceState(history.state, '', hash)
  }, [state])
}
