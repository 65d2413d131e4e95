import { Suspense, useEffect, useState } from 'react'
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary'
import { Provider } from 'react-redux'
import { BrowserRouter, Link, Outlet, type RouteObject, useLocation, useRoutes } from 'react-router'
import { type Store, useShopQuery } from './base/data'
import { calculateIn, writeDates } from './base/format'
import { Bar, forgetFailed, screen, screensOf, screensToCome, useUnderWay } from './base/shell'
import { ToastPlace } from './base/toast'
import { Message } from './base/ui'
import { Counter } from './screens/counter/Counter'

/** All of a job’s screens come as one, so that its steps open while the server is away. */
const job = screensOf(() => import('./screens/job'))
const orders = screensOf(() => import('./screens/orders'))
const machines = screensOf(() => import('./screens/machines'))
const newJob = screensOf(() => import('./screens/newJob/NewJob'))
const probe = screensOf(() => import('./screens/probe/Probe'))
const whatIf = screensOf(() => import('./screens/whatIf'))
const shelf = screensOf(() => import('./screens/shelf/Shelf'))
const settings = screensOf(() => import('./screens/settings'))
const backups = screensOf(() => import('./screens/backups/Backups'))
const reference = screensOf(() => import('./screens/reference/Reference'))

const ROUTES: RouteObject[] = [
  {
    element: <Everything />,
    children: [
      { path: '/', element: <Counter /> },
      { path: '/jobs/new', ...screen(newJob, 'NewJob') },
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
      { path: '/probe', ...screen(probe, 'Probe') },
      { path: '/what-if', ...screen(whatIf, 'WhatIf') },
      { path: '/what-if/machines', ...screen(whatIf, 'Candidates') },
      { path: '/shelf', ...screen(shelf, 'Shelf') },
      { path: '/orders', ...screen(orders, 'Orders') },
      { path: '/orders/:id', ...screen(orders, 'OrderScreen') },
      { path: '/settings', ...screen(settings, 'ShopSettings') },
      { path: '/backups', ...screen(backups, 'Backups') },
      { path: '/reference', ...screen(reference, 'Reference') },
      { path: '*', element: <Nowhere /> },
    ],
  },
]

export function App({ store }: { store: Store }) {
  const [toCome, setToCome] = useState(() => screensToCome(ROUTES, location.pathname))
  useEffect(() => {
    if (toCome.length === 0) return
    Promise.allSettled(toCome.map(({ read }) => read())).then(() => setToCome([]))
  }, [toCome])
  return (
    <Provider store={store}>
      <BrowserRouter>{toCome.length === 0 ? <Screens /> : <Opening />}</BrowserRouter>
    </Provider>
  )
}

function Screens() {
  const { key } = useLocation()
  return (
    <ErrorBoundary FallbackComponent={Broken} resetKeys={[key]} onReset={forgetFailed}>
      <Suspense fallback={<Opening />}>{useRoutes(ROUTES)}</Suspense>
    </ErrorBoundary>
  )
}

/** All screens: money and dates as the shop writes them, and a sign while the next one comes. */
function Everything() {
  const { data: shop } = useShopQuery()
  const isUnderWay = useUnderWay()
  const currency = shop?.terms.currency ?? 'EUR'
  calculateIn(currency)
  const dates = shop?.terms.dateFormat ?? 'day first'
  writeDates(dates)
  return (
    <>
      {isUnderWay && (
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

function Broken({ error }: FallbackProps) {
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
