import { type ComponentType, use, useSyncExternalStore } from 'react'
import { matchRoutes, type RouteObject } from 'react-router'

/** Screens whose code comes when one of them is first gone to. */
interface Screens<Parts> {
  come: Parts | undefined
  read: () => Promise<Parts>
}

const failed = new Set<() => void>()
const watching = new Set<() => void>()
let underWay = 0

/** May be asked while React draws, which is told afterwards. */
function count(by: number): void {
  underWay += by
  queueMicrotask(() => {
    for (const tell of watching) tell()
  })
}

/** Screens that come as one when `load` is first called for; what did not come stays so until it is forgotten. */
export function screensOf<Parts>(load: () => Promise<Parts>): Screens<Parts> {
  let coming: Promise<Parts> | undefined
  async function begin(): Promise<Parts> {
    count(1)
    try {
      screens.come = await load()
      return screens.come
    } catch (error) {
      failed.add(() => {
        coming = undefined
      })
      throw error
    } finally {
      count(-1)
    }
  }
  const screens: Screens<Parts> = {
    come: undefined,
    read: () => {
      coming ??= begin()
      return coming
    },
  }
  return screens
}

/** What a route shows: one of the screens. */
export const screen = <Name extends string>(
  screens: Screens<Record<Name, ComponentType>>,
  name: Name,
): Pick<RouteObject, 'element' | 'handle'> => ({
  element: <Screen screens={screens} name={name} />,
  handle: screens,
})

interface ScreenProps {
  screens: Screens<Record<string, ComponentType>>
  name: string
}

/** Gone to, it waits for its code; until that has come the screen before stays. */
function Screen({ screens, name }: ScreenProps) {
  const { [name]: Shown } = screens.come ?? use(screens.read())
  return Shown && <Shown />
}

/** What is shown at a path and has not come. */
export const screensToCome = (routes: RouteObject[], path: string): Screens<unknown>[] =>
  (matchRoutes(routes, path) ?? []).flatMap(({ route }) => {
    const screens = route.handle as Screens<unknown> | undefined
    return screens && screens.come === undefined ? [screens] : []
  })

/** What could not be read is asked for again when it is next gone to. */
export function forgetFailed(): void {
  for (const forget of failed) forget()
  failed.clear()
}

/** Whether the code of a screen is on its way. */
export const useUnderWay = (): boolean =>
  useSyncExternalStore(
    (tell) => {
      watching.add(tell)
      return () => watching.delete(tell)
    },
    () => underWay > 0,
  )
