import { useState } from 'react'
import { API, saidOf, useErasePersonMutation } from '../../../../base/data'
import { notify } from '../../../../base/toast'
import { Button, Confirm, Disclosure, ErrorText } from '../../../../base/ui'
import { useJobPart } from '../../base/file'

/** What a customer may ask of the shop: everything it has of them, and that it is erased. */
export function CustomerData() {
  const customer = useJobPart(({ file }) => file.customer)
  const [asking, setAsking] = useState(false)
  const [erase, { error }] = useErasePersonMutation()

  async function go() {
    const done = await erase({ id: customer.id, version: customer.version })
    if (!done.error) notify('The customer’s data is erased.')
  }
  return (
    <Disclosure
      className="border-t border-rule pt-1"
      summary={<span className="font-semibold">The customer’s data</span>}
    >
      <div className="flex flex-wrap items-center gap-3">
        <a
          href={`${API}/customers/${customer.id}/file`}
          download
          className="inline-flex min-h-11 items-center rounded-sm border border-rule-2 px-3 font-medium hover:bg-sheet-2"
        >
          Everything we have, as a file
        </a>
        <Button look="stop" onClick={() => setAsking(true)}>
          Erase this customer’s data
        </Button>
      </div>
      <ErrorText>{error ? saidOf(error) : ''}</ErrorText>
      {asking && (
        <Confirm
          title={`Erase the data of ${customer.name}?`}
          action="Erase for good"
          onConfirm={go}
          onClose={() => setAsking(false)}
        >
          <p>
            Name, phone, mail, words, serial numbers, photos, reports and messages of all their jobs
            are erased, and cannot be brought back. Their machines’ results stay, of nobody.
          </p>
          <p className="mt-2">
            Backups made before still hold them, until they are replaced. The law may oblige you to
            keep invoices: those are not kept here.
          </p>
        </Confirm>
      )}
    </Disclosure>
  )
}
