import { matcherOf } from '@tembrix/core/shop/counter'
import { useState } from 'react'
import { inputLook } from '../../base/ui'
import { GLOSSARY } from './glossaryWords'

/** The words of the trade, found by any word in them. */
export function Glossary() {
  const [search, setSearch] = useState('')
  const matches = matcherOf(search)
  const found = GLOSSARY.filter(({ word, means }) => matches(`${word} ${means}`))
  return (
    <section aria-label="Words" className="flex flex-col gap-3 bg-sheet p-4">
      <h2 className="font-semibold">Words</h2>
      <input
        type="search"
        aria-label="Search the words"
        placeholder="Search the words"
        value={search}
        onChange={({ target }) => setSearch(target.value)}
        className={inputLook}
      />
      {found.length === 0 && <p className="text-ink-2">No word matches.</p>}
      <dl>
        {found.map(({ word, means }) => (
          <div key={word} className="border-t border-rule py-1.5">
            <dt className="font-semibold">{word}</dt>
            <dd className="text-[0.93rem]">{means}</dd>
          </div>
        ))}
      </dl>
    </section>
  )
}
