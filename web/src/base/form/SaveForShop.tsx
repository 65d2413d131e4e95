import type { ReactNode } from 'react'
import { Button, ErrorText } from '../ui'

interface Props {
  /** Saving was refused or not answered. */
  failed: boolean
  /** What is saved is not read yet. */
  disabled: boolean
  onClose: () => void
  /** Further things to do, to the left. */
  children?: ReactNode
}

/** The foot of a form with something of the whole shop's: why it was not saved, and the buttons. */
export function SaveForShop({ failed, disabled, onClose, children }: Props) {
  return (
    <>
      {failed && (
        <ErrorText>
          Not saved: somebody may have changed it meanwhile. Close this and try again.
        </ErrorText>
      )}
      <div className="mt-1 flex flex-wrap justify-end gap-3">
        {children && <div className="mr-auto flex flex-wrap gap-3">{children}</div>}
        <Button onClick={onClose}>Cancel</Button>
        <Button look="main" type="submit" disabled={disabled}>
          Save for the shop
        </Button>
      </div>
    </>
  )
}
