import { type ListStanding, lookUp } from '@tembrix/core/reading/lists'
import { plural } from '../../../../base/format'
import { callout } from '../../../../base/ui'
import { useJob, useValidated } from '../../base/file'

/** What the newest validated list of this model says of the planned part numbers. */
export function ListedParts() {
  const { planned } = useJob()
  const validated = useValidated()
  if (!validated) return null
  const { name, index } = validated
  const placed = Object.values(planned.placement).flatMap((module) => (module ? [module] : []))
  const articles = [...new Set(placed.map(({ article }) => article))]
  if (articles.length === 0) return null
  return (
    <section aria-label="Validated list" className={callout({ tone: 'note' })}>
      <h3 className="font-semibold">By the list “{name}”</h3>
      <ul className="text-[0.93rem]">
        {articles.map((article) => {
          const standing = lookUp(index, article, placed.length)
          return (
            <li key={article} data-standing={standing.kind}>
              <b className="font-semibold">{article}</b>: {sentence(standing, placed.length)}
            </li>
          )
        })}
      </ul>
    </section>
  )
}

function sentence(standing: ListStanding, modules: number): string {
  if (standing.kind === 'listed') return `listed for ${plural(modules, 'module')}.`
  if (standing.kind === 'listed-for-fewer') {
    return `listed for ${standing.slotsTested}, not for ${modules} together.`
  }
  return 'not listed, which means only that it was not tested.'
}
