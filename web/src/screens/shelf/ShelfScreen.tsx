import { Tabs } from 'radix-ui'
import { useMemo } from 'react'
import { useShelfQuery } from '../../base/data'
import { Bar } from '../../base/shell'
import { LoadError, Tab, Waiting } from '../../base/ui'
import { Offers } from './Offers'
import { ShelfPieces } from './ShelfPieces'
import { SupplierSearch } from './SupplierSearch'
import { byKind } from './words'

/** What the shop can draw on: its own pieces, and what suppliers sell. */
export function ShelfScreen() {
  const { data, error, refetch } = useShelfQuery({}, { refetchOnMountOrArgChange: true })
  const sorted = useMemo(() => [...(data ?? [])].sort(byKind), [data])
  return (
    <div className="flex h-dvh flex-col">
      <Bar>
        <h1 className="font-semibold">Shelf</h1>
      </Bar>
      {error && !data ? (
        <LoadError title="The shelf cannot be read" onRetry={refetch} />
      ) : !data ? (
        <Waiting>Reading the shelf…</Waiting>
      ) : (
        <main
          id="work"
          tabIndex={-1}
          className="outline-none mx-auto flex min-h-0 w-full max-w-7xl flex-1 flex-col p-4"
        >
          <Tabs.Root defaultValue="shelf" className="flex min-h-0 flex-1 flex-col">
            <Tabs.List aria-label="Shelf" className="mb-3 flex border-b-2 border-rule">
              <Tab value="shelf">In the shop</Tab>
              <Tab value="offers">Suppliers’ offers</Tab>
              <Tab value="search">Ask the supplier</Tab>
            </Tabs.List>
            <Tabs.Content value="shelf" className="flex min-h-0 flex-1 flex-col gap-3">
              <ShelfPieces pieces={sorted} />
            </Tabs.Content>
            <Tabs.Content value="offers" className="flex min-h-0 flex-1 flex-col gap-3">
              <Offers />
            </Tabs.Content>
            <Tabs.Content value="search" className="flex min-h-0 flex-1 flex-col gap-3">
              <SupplierSearch />
            </Tabs.Content>
          </Tabs.Root>
        </main>
      )}
    </div>
  )
}
