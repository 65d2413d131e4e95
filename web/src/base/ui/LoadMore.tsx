import { useEffect, useState } from 'react'
import { Button } from './Button'

interface Props {
  /** A list that is read page by page. */
  list: {
    hasNextPage: boolean
    isFetching: boolean
    isFetchingNextPage: boolean
    fetchNextPage: () => unknown
  }
}

/** What stands under a list that goes on. Pressed while the list is read again, it goes on once that is done. */
export function LoadMore({
  list: { hasNextPage, isFetching, isFetchingNextPage, fetchNextPage },
}: Props) {
  const [wanted, setWanted] = useState(false)
  useEffect(() => {
    if (!wanted) return
    if (isFetchingNextPage) setWanted(false)
    // While something else of it is read, a next page is not.
    else if (!isFetching) fetchNextPage()
  }, [wanted, isFetching, isFetchingNextPage, fetchNextPage])
  if (!hasNextPage) return null
  const isReading = wanted || isFetchingNextPage
  return (
    <div className="flex justify-center border-t border-rule p-2">
      <Button disabled={isReading} onClick={() => setWanted(true)}>
        {isReading ? 'Reading…' : 'Show more'}
      </Button>
    </div>
  )
}
