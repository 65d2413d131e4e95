import { lazy, Suspense } from 'react'
import { Provider } from 'react-redux'
import { createBrowserRouter, Link, Outlet, RouterProvider, useRouteError } from 'react-router'
import { type Store, useShopQuery } from './base/data'
import { Bar } from './base/shell'
import { Message, reckonIn } from './base/ui'
import { Counter } from './screens/counter/Counter'

const NewJob = lazy(async () => ({ default: (await import('./screens/newJob/NewJob')).NewJob }))

/** All of a job's screens come as one, so that its steps open while the server is away. */
const job = () => import('./screens/job')
const JobScreen = lazy(async () => ({ default: (await job()).JobScreen }))
const Start = lazy(async () => ({ default: (await job()).Start }))
const Intake = lazy(async () => ({ default: (await job()).Intake }))
const Identify = lazy(async () => ({ default: (await job()).Identify }))
const Plan = lazy(async () => ({ default: (await job()).Plan }))
const Size = lazy(async () => ({ default: (await job()).Size }))
const Machines = lazy(async () => ({ default: (await import('./screens/machines')).Machines }))
const MachineModel = lazy(async () => ({
  default: (await import('./screens/machines')).MachineModel,
}))
const Probe = lazy(async () => ({ default: (await import('./screens/probe/Probe')).Probe }))
const WhatIf = lazy(async () => ({ default: (await import('./screens/whatIf/WhatIf')).WhatIf }))
const Shelf = lazy(async () => ({ default: (await import('./screens/shelf/Shelf')).Shelf }))
const Backups = lazy(async () => ({ default: (await import('./screens/backups/Backups')).Backups }))
const Reference = lazy(async () => ({
  default: (await import('./screens/reference/Reference')).Reference,
}))
const Quote = lazy(async () => ({ default: (await job()).Quote }))
const QuoteSheet = lazy(async () => ({ default: (await job()).QuoteSheet }))
const Fit = lazy(async () => ({ default: (await job()).Fit }))
const Labels = lazy(async () => ({ default: (await import('./screens/job')).Labels }))
const Verify = lazy(async () => ({ default: (await job()).Verify }))
const TuneSheet = lazy(async () => ({ default: (await job()).TuneSheet }))
const PlanSheet = lazy(async () => ({ default: (await job()).PlanSheet }))

const page = (element: React.ReactNode) => <Suspense fallback={null}>{element}</Suspense>

const router = createBrowserRouter([
  {
    element: <Reckoned />,
    errorElement: <Broken />,
    children: [
      { path: '/', element: <Counter /> },
      { path: '/jobs/new', element: page(<NewJob />) },
      { path: '/jobs/:id/sheet', element: page(<PlanSheet />) },
      { path: '/jobs/:id/labels', element: page(<Labels />) },
      { path: '/jobs/:id/quote-sheet', element: page(<QuoteSheet />) },
      { path: '/jobs/:id/tune-sheet', element: page(<TuneSheet />) },
      {
        path: '/jobs/:id',
        element: page(<JobScreen />),
        children: [
          { index: true, element: page(<Start />) },
          { path: 'intake', element: page(<Intake />) },
          { path: 'identify', element: page(<Identify />) },
          { path: 'size', element: page(<Size />) },
          { path: 'plan', element: page(<Plan />) },
          { path: 'quote', element: page(<Quote />) },
          { path: 'fit', element: page(<Fit />) },
          { path: 'verify', element: page(<Verify />) },
        ],
      },
      { path: '/machines', element: page(<Machines />) },
      { path: '/machines/:id', element: page(<MachineModel />) },
      { path: '/probe', element: page(<Probe />) },
      { path: '/what-if', element: page(<WhatIf />) },
      { path: '/shelf', element: page(<Shelf />) },
      { path: '/backups', element: page(<Backups />) },
      { path: '/reference', element: page(<Reference />) },
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

/** Everything inside writes money in the shop's currency. */
function Reckoned() {
  const { data: shop } = useShopQuery()
  const currency = shop?.terms.currency ?? 'EUR'
  reckonIn(currency)
  return <Outlet key={currency} />
}

function Nowhere() {
  return (
    <>
      <Bar />
      <Message title="There is nothing here">
        <Link to="/" className="underline">
          To the counter
        </Link>
      </Message>
    </>
  )
}

function Broken() {
  const error = useRouteError()
  return (
    <Message title="This screen has failed">
      <p>{error instanceof Error ? error.message : 'The reason is not known.'}</p>
      <p>What you typed is kept. Loading the page again usually helps.</p>
      <button type="button" className="underline" onClick={() => location.reload()}>
        Load again
      </button>
    </Message>
  )
}
