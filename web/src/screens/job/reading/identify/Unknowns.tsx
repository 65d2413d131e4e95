import { SYSTEM_BITS } from '@tembrix/core/things/model'
import { list } from '../../../../base/format'
import { Button } from '../../../../base/ui'
import { useJob } from '../../base/file'
import { useIdentify } from './useIdentify'
import { unknownWords } from './words'

/** What nobody has made sure of yet, in the order worth finding out. */
export function Unknowns() {
  const { unknown } = useJob().evidence
  const { sayEmpty, saySystem } = useIdentify()
  if (unknown.length === 0) return null
  return (
    <section aria-label="Still to find out">
      <h3 className="font-semibold">Still to find out, in this order</h3>
      <ol className="list-decimal pl-6 text-[0.93rem]">
        {unknown.map((one) => {
          const [what, how] = unknownWords(one)
          return (
            <li key={one.code} className="py-0.5 pl-1">
              {what}. <span className="text-ink-2">{how}</span>
              {one.code === 'CONTENT_OF_SLOTS' && (
                <Button className="my-1 ml-2 text-sm" onClick={() => sayEmpty(one.what)}>
                  I looked: {list(one.what)} {one.what.length === 1 ? 'is' : 'are'} empty
                </Button>
              )}
              {one.code === 'SYSTEM_WIDTH' &&
                SYSTEM_BITS.map((bits) => (
                  <Button key={bits} className="my-1 ml-2 text-sm" onClick={() => saySystem(bits)}>
                    {bits}-bit
                  </Button>
                ))}
            </li>
          )
        })}
      </ol>
    </section>
  )
}
