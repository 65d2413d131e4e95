import { caseAgainst, type Made } from '@tembrix/core/bench/diagnose'
import { cameFor } from '@tembrix/core/shop/orders'
import { capacity, list, plural, uncapital } from '../../../../base/format'
import { useJob } from '../../base/file'
import { outcomeWords } from '../../base/trials'

/** Text for the supplier of a bad module (`moduleId unit`): the part, how it was tried and what each trial showed. */
export function useNote(module: string, trials: readonly Made[]): string {
  const { file, machine, pieces, shop } = useJob()
  const [moduleId = '', unit = '0'] = module.split(' ')
  const piece = pieces.get(moduleId)
  const came = cameFor(shop, file.id, { moduleId, unit: Number(unit) })
  const serial =
    file.fits[0]?.serials[module] ||
    came?.serialNumber ||
    file.modules.find(({ id }) => id === moduleId)?.serialNumber
  const { wrong, soundSlots, wellWithout, testedWithout } = caseAgainst(module, trials)
  const seatedAgain =
    trials.some(({ reseat }) => reseat) || new Set(wrong.map(({ slot }) => slot)).size > 1
  const said = counted(
    wrong.map(({ slot, outcome }) => `in ${slot}: ${uncapital(outcomeWords(outcome))}`),
  )
  return [
    `Returned as faulty: ${capacity(piece?.module.capacityGiB ?? 0)} ${piece?.module.article ?? ''}${serial ? `, serial number ${serial}` : ''}${came?.invoice ? `, delivered with ${came.invoice}` : ''}.`,
    `Tried in ${machine.name}${seatedAgain ? ', seated again' : ''}, job ${file.number}.`,
    said.length > 0 ? `With it, ${list(said)}.` : '',
    soundSlots.length > 0 ? `Another module works in ${list(soundSlots)}.` : '',
    wellWithout > 0
      ? `Without it the machine passed (${plural(wellWithout, 'trial')}${testedWithout > 0 ? `, ${testedWithout} with a memory test` : ''}).`
      : '',
  ]
    .filter(Boolean)
    .join('\n')
}

/** Each once, with how often it came where it came more than once. */
function counted(words: readonly string[]): string[] {
  return [...new Set(words)].map((word) => {
    const times = words.filter((one) => one === word).length
    return times > 1 ? `${word} (${times} times)` : word
  })
}
