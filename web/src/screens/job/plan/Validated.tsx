import { indexed, lookUp, type Standing } from '@tembrix/core/validated'
import { useMemo } from 'react'
import { useValidatedListQuery, useValidatedListsQuery } from '../../../base/data'
import { plural } from '../../../base/format'
import { callout } from '../../../base/ui'
import { useJob } from '../file'

/** What the newest validated list of this model says of the planned part numbers. */
export function Validated() {
  const { file, planned } = useJob()
  const { data: lists } = useValidatedListsQuery()
  const line = lists?.find(({ modelId }) => modelId === file.machine.modelId)
  const { data: list } = useValidatedListQuery(line?.id ?? '', { skip: !line })
  const index = useMemo(() => list && indexed(list.entries), [list])
  if (!line || !index) return null
  const placed = Object.values(planned.placement).flatMap((module) => (module ? [module] : []))
  const articles = [...new Set(placed.map(({ article }) => article))]
  if (articles.length === 0) return null
  return (
    <section aria-label="Validated list" className={callout({ tone: 'note' })}>
      <h3 className="font-semibold">By the list “{line.name}”</h3>
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

function sentence(standing: Standing, modules: number): string {
  if (standing.kind === 'listed') return `listed for ${plural(modules, 'module')}.`
  if (standing.kind === 'listed-for-fewer') {
    return `listed for ${standing.slotsTested}, not for ${modules} together.`
  }
  return 'not listed, which means only that it was not tested.'
}
