import { Suspense, useEffect, useState } from 'react'
import { ErrorBoundary, type FallbackProps } from 'react-error-boundary'
import { Provider } from 'react-redux'
import { BrowserRouter, Link, Outlet, type RouteObject, useLocation, useRoutes } from 'react-router'
import { type Store, useShopQuery } from './base/data'
import { calculateIn, writeDates } from './base/format'
import { Bar, forgetFailed, screen, screensOf, screensToCome, useUnderWay } from './base/shell'
import { ToastPlace } from './base/toast'
import { PageMessage } from './base/ui'
import { CounterScreen } from './screens/counter'

/** All of a job’s screens come as one, so that its steps open while the server is away. */
const job = screensOf(() => import('./screens/job'))
const orders = screensOf(() => import('./screens/orders'))
const customers = screensOf(() => import('./screens/customers'))
const machines = screensOf(() => import('./screens/machines'))
const newJob = screensOf(() => import('./screens/newJob'))
const probe = screensOf(() => import('./screens/probe'))
const whatIf = screensOf(() => import('./screens/whatIf'))
const shelf = screensOf(() => import('./screens/shelf'))
const settings = screensOf(() => import('./screens/settings'))
const backups = screensOf(() => import('./screens/backups'))
const reference = screensOf(() => import('./screens/reference'))

const ROUTES: RouteObject[] = [
  {
    element: <Everything />,
    children: [
      { path: '/', element: <CounterScreen /> },
      { path: '/jobs/new', ...screen(newJob, 'NewJobScreen') },
      { path: '/jobs/:id/sheet', ...screen(job, 'PlanSheet') },
      { path: '/jobs/:id/labels', ...screen(job, 'LabelsSheet') },
      { path: '/jobs/:id/quote-sheet', ...screen(job, 'QuoteSheet') },
      { path: '/jobs/:id/report', ...screen(job, 'ReportSheet') },
      { path: '/jobs/:id/tune-sheet', ...screen(job, 'TuneSheet') },
      {
        path: '/jobs/:id',
        ...screen(job, 'JobScreen'),
        children: [
          { index: true, ...screen(job, 'ResumeJob') },
          { path: 'intake', ...screen(job, 'IntakeScreen') },
          { path: 'identify', ...screen(job, 'IdentifyScreen') },
          { path: 'size', ...screen(job, 'SizeScreen') },
          { path: 'plan', ...screen(job, 'PlanScreen') },
          { path: 'quote', ...screen(job, 'QuoteScreen') },
          { path: 'fit', ...screen(job, 'FitScreen') },
          { path: 'verify', ...screen(job, 'VerifyScreen') },
          { path: 'handover', ...screen(job, 'HandOverScreen') },
        ],
      },
      { path: '/customers/:id', ...screen(customers, 'CustomerScreen') },
      { path: '/customers/machines/:id', ...screen(customers, 'MachineScreen') },
      { path: '/machines', ...screen(machines, 'MachinesScreen') },
      { path: '/machines/:id', ...screen(machines, 'MachineModelScreen') },
      { path: '/probe', ...screen(probe, 'ProbeScreen') },
      { path: '/what-if', ...screen(whatIf, 'WhatIfScreen') },
      { path: '/what-if/machines', ...screen(whatIf, 'BuyingScreen') },
      { path: '/shelf', ...screen(shelf, 'ShelfScreen') },
      { path: '/orders', ...screen(orders, 'OrdersScreen') },
      { path: '/orders/:id', ...screen(orders, 'OrderScreen') },
      { path: '/returns/:id', ...screen(orders, 'ReturnScreen') },
      { path: '/settings', ...screen(settings, 'SettingsScreen') },
      { path: '/backups', ...screen(backups, 'BackupsScreen') },
      { path: '/reference', ...screen(reference, 'ReferenceScreen') },
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
        <PageMessage title="There is nothing here">
          <Link to="/" className="inline-flex min-h-11 items-center underline">
            To the counter
          </Link>
        </PageMessage>
      </main>
    </>
  )
}

function Broken({ error }: FallbackProps) {
  return (
    <PageMessage title="This screen has failed">
      <p>{error instanceof Error ? error.message : 'The reason is not known.'}</p>
      <p>What you typed is kept. Loading the page again usually helps.</p>
      <button
        type="button"
        className="inline-flex min-h-11 items-center underline"
        onClick={() => location.reload()}
      >
        Load again
      </button>
    </PageMessage>
  )
}
