import { Button } from './Button'

interface Props {
  /** A list that is read page by page. */
  list: {
    hasNextPage: boolean
    isFetchingNextPage: boolean
    fetchNextPage: () => unknown
  }
}

/** What stands under a list that goes on. */
export function More({ list: { hasNextPage, isFetchingNextPage, fetchNextPage } }: Props) {
  if (!hasNextPage) return null
  return (
    <div className="flex justify-center border-t border-rule p-2">
      <Button disabled={isFetchingNextPage} onClick={() => fetchNextPage()}>
        {isFetchingNextPage ? 'Reading…' : 'Show more'}
      </Button>
    </div>
  )
}
