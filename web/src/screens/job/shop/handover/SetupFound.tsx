import { TextInput } from '../../../../base/ui'
import type { HandingOver } from './useHandover'

/** What is left in the BIOS/UEFI setup, and what was set there when the machine came, as somebody noted it. */
export function SetupFound({ handing: { document, handover, set } }: { handing: HandingOver }) {
  if (document.setup.length === 0) return null
  const { setupFound, signed } = handover
  return (
    <section aria-label="BIOS/UEFI setup">
      <h3 className="font-semibold">BIOS/UEFI setup</h3>
      <ul>
        {document.setup.map(({ what, found, left }) => (
          <li
            key={what}
            className="grid grid-cols-[1fr_1fr_1fr] items-center gap-3 border-t border-rule py-1"
          >
            <span>{what}</span>
            {signed ? (
              <span>found: {found}</span>
            ) : (
              <TextInput
                id={`setup-${what}`}
                aria-label={`${what}, as found`}
                aria-invalid={false}
                aria-describedby={undefined}
                placeholder="as found: not noted"
                value={setupFound[what] ?? ''}
                onValue={(text) =>
                  set(
                    { setupFound: { ...setupFound, [what]: text.slice(0, 200) } },
                    `setup ${what}`,
                  )
                }
              />
            )}
            <b className="font-semibold">left: {left}</b>
          </li>
        ))}
      </ul>
    </section>
  )
}
