import type { ComponentType } from 'react'
import { Provider } from 'react-redux'
import {
  createBrowserRouter,
  Link,
  Outlet,
  type RouteObject,
  RouterProvider,
  useNavigation,
  useRouteError,
} from 'react-router'
import { type Store, useShopQuery } from './base/data'
import { calculateIn, writeDates } from './base/format'
import { Bar } from './base/shell'
import { ToastPlace } from './base/toast'
import { Message } from './base/ui'
import { Counter } from './screens/counter/Counter'

/** All of a job’s screens come as one, so that its steps open while the server is away. */
const job = () => import('./screens/job')
const orders = () => import('./screens/orders')
const machines = () => import('./screens/machines')

/** A screen whose code comes when it is first gone to; until then the one before stays. */
const screen = <Name extends string>(
  from: () => Promise<Record<Name, ComponentType>>,
  name: Name,
): Pick<RouteObject, 'lazy'> => ({ lazy: async () => ({ Component: (await from())[name] }) })

const router = createBrowserRouter([
  {
    element: <Everything />,
    errorElement: <Broken />,
    HydrateFallback: Opening,
    children: [
      { path: '/', element: <Counter /> },
      { path: '/jobs/new', ...screen(() => import('./screens/newJob/NewJob'), 'NewJob') },
      { path: '/jobs/:id/sheet', ...screen(job, 'PlanSheet') },
      { path: '/jobs/:id/labels', ...screen(job, 'Labels') },
      { path: '/jobs/:id/quote-sheet', ...screen(job, 'QuoteSheet') },
      { path: '/jobs/:id/report', ...screen(job, 'ReportSheet') },
      { path: '/jobs/:id/tune-sheet', ...screen(job, 'TuneSheet') },
      {
        path: '/jobs/:id',
        ...screen(job, 'JobScreen'),
        children: [
          { index: true, ...screen(job, 'Start') },
          { path: 'intake', ...screen(job, 'Intake') },
          { path: 'identify', ...screen(job, 'Identify') },
          { path: 'size', ...screen(job, 'Size') },
          { path: 'plan', ...screen(job, 'Plan') },
          { path: 'quote', ...screen(job, 'Quote') },
          { path: 'fit', ...screen(job, 'Fit') },
          { path: 'verify', ...screen(job, 'Verify') },
          { path: 'handover', ...screen(job, 'HandOver') },
        ],
      },
      { path: '/machines', ...screen(machines, 'Machines') },
      { path: '/machines/:id', ...screen(machines, 'MachineModel') },
      { path: '/probe', ...screen(() => import('./screens/probe/Probe'), 'Probe') },
      { path: '/what-if', ...screen(() => import('./screens/whatIf/WhatIf'), 'WhatIf') },
      { path: '/shelf', ...screen(() => import('./screens/shelf/Shelf'), 'Shelf') },
      { path: '/orders', ...screen(orders, 'Orders') },
      { path: '/orders/:id', ...screen(orders, 'OrderScreen') },
      {
        path: '/settings',
        ...screen(() => import('./screens/settings'), 'ShopSettings'),
      },
      { path: '/backups', ...screen(() => import('./screens/backups/Backups'), 'Backups') },
      { path: '/reference', ...screen(() => import('./screens/reference/Reference'), 'Reference') },
      { path: '*', element: <Nowhere /> },
    ],
  },
])

export function App({ store }: { store: Store }) {
  return (
    <Provider store={store}>
      <RouterProvider router={router} />
    </Provider>
  )
}

/** All screens: money and dates as the shop writes them, and a sign while the next one comes. */
function Everything() {
  const { data: shop } = useShopQuery()
  const { state } = useNavigation()
  const currency = shop?.terms.currency ?? 'EUR'
  calculateIn(currency)
  const dates = shop?.terms.dateFormat ?? 'day first'
  writeDates(dates)
  return (
    <>
      {state === 'loading' && (
        <p role="status" className="fixed inset-x-0 top-0 z-50 h-1 animate-pulse bg-gold-line">
          <span className="sr-only">Opening…</span>
        </p>
      )}
      <Outlet key={`${currency} ${dates}`} />
      <ToastPlace />
    </>
  )
}

function Opening() {
  return (
    <div className="flex min-h-dvh flex-col">
      <Bar />
      <main id="work" className="m-auto">
        <p role="status" className="text-ink-2">
          Opening…
        </p>
      </main>
    </div>
  )
}

function Nowhere() {
  return (
    <>
      <Bar />
      <main id="work">
        <Message title="There is nothing here">
          <Link to="/" className="inline-flex min-h-11 items-center underline">
            To the counter
          </Link>
        </Message>
      </main>
    </>
  )
}

function Broken() {
  const error = useRouteError()
  return (
    <Message title="This screen has failed">
      <p>{error instanceof Error ? error.message : 'The reason is not known.'}</p>
      <p>What you typed is kept. Loading the page again usually helps.</p>
      <button
        type="button"
        className="inline-flex min-h-11 items-center underline"
        onClick={() => location.reload()}
      >
        Load again
      </button>
    </Message>
  )
}
