import { Check } from '../../../../base/ui'
import { useJobPart } from '../../base/file'
import type { HandingOver } from './useHandover'

/** What came with the machine, to be ticked as it is given back. */
export function Returned({ handing: { handover, set } }: { handing: HandingOver }) {
  const accessories = useJobPart(({ file }) => file.accessories)
  if (accessories.length === 0) return null
  const { returned, collected } = handover
  return (
    <section aria-label="Accessories">
      <h3 className="font-semibold">Given back with it</h3>
      {accessories.map((one) => (
        <Check
          key={one}
          label={one}
          checked={returned.includes(one)}
          disabled={collected !== null}
          onChecked={(is) =>
            set({ returned: is ? [...returned, one] : returned.filter((other) => other !== one) })
          }
        />
      ))}
    </section>
  )
}
