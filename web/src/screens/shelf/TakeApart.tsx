import { useActMutation } from '../../base/data'
import { money } from '../../base/format'
import { notify } from '../../base/toast'
import { Button, callout, Dialog, ErrorText } from '../../base/ui'
import type { KitOnShelf } from './words'

/** Asks before a kit becomes single modules: what was tested together is then no longer sold so. */
export function TakeApart({ kit, onClose }: { kit: KitOnShelf; onClose: () => void }) {
  const [act, { isLoading, error }] = useActMutation()
  const kept = kit.pieces.find(({ keptFor }) => keptFor)?.keptFor

  async function apart() {
    const answer = await act(
      kit.pieces.map(({ id, version, module }) => {
        const fields = { module: { ...module, kit: null } }
        return { action: 'change', collection: 'modules', id, version, fields }
      }),
    )
    if (answer.error) return
    notify(`Apart: ${kit.pieces.length} single modules.`)
    onClose()
  }

  return (
    <Dialog open onOpen={onClose} title="Take this kit apart?">
      <p className="mb-2">
        Its {kit.pieces.length} modules were tested together. Apart, each is planned and sold by
        itself, and a pair of them counts as mixed no less than any other two.
      </p>
      <ul className="mb-3 list-disc pl-5">
        {kit.pieces.map(({ id, module, serialNumber, price }) => (
          <li key={id}>
            {module.article} {serialNumber && <span className="font-mono">{serialNumber}</span>}
            {price !== null && `, ${money(price)}`}
          </li>
        ))}
      </ul>
      {kept && (
        <p className={callout({ tone: 'risk', className: 'mb-3' })}>
          Job {kept.number} plans with it as a kit. Its plan will say that the modules are mixed.
        </p>
      )}
      {error && (
        <ErrorText className="mb-3">
          It stays together: a piece was just changed, or the server does not answer. Look again.
        </ErrorText>
      )}
      <div className="flex justify-end gap-3">
        <Button onClick={onClose}>Keep it together</Button>
        <Button look="stop" disabled={isLoading} onClick={apart}>
          Take it apart
        </Button>
      </div>
    </Dialog>
  )
}
