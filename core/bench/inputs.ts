// Reads the inputs of `core/test/inputCases`, whose truth was written beforehand, and prints how many are right.
import { INPUT_FAMILIES, MEMORY_LOGS, PRICE_LISTS } from '../test/inputCases'
import { type Judged, judge, judgeList, judgeLog, type Outcome } from '../test/inputCases/judge'

const OUTCOMES: Outcome[] = ['right', 'open', 'missed', 'wrong']
const families: [string, { text: string; judged: Judged }[]][] = [
  ...INPUT_FAMILIES.map(
    ({ name, cases }) =>
      [name, cases.map((one) => ({ text: one.text, judged: judge(one) }))] as [string, []],
  ),
  ['price lists', PRICE_LISTS.map((one) => ({ text: one.text, judged: judgeList(one) }))],
  ['memory logs', MEMORY_LOGS.map((one) => ({ text: one.text, judged: judgeLog(one) }))],
]
const shown = process.argv[2]
const count = (all: readonly { judged: Judged }[], outcome: Outcome) =>
  all.filter(({ judged }) => judged.outcome === outcome).length
const row = (name: string, all: readonly { judged: Judged }[]) =>
  console.log(
    `| ${name.padEnd(18)} | ${String(all.length).padStart(5)} | ${OUTCOMES.map((one) => String(count(all, one)).padStart(6)).join(' | ')} |`,
  )

console.log(
  `| ${'family'.padEnd(18)} |   all | ${OUTCOMES.map((one) => one.padStart(6)).join(' | ')} |`,
)
for (const [name, all] of families) row(name, all)
row(
  'all',
  families.flatMap(([, all]) => all),
)
for (const [name, all] of families) {
  for (const { text, judged } of all) {
    const told = [...judged.wrong, ...judged.open.map((one) => `(${one})`)].join('; ')
    if (judged.outcome === 'wrong' || (shown === name && judged.outcome !== 'right')) {
      console.log(`${judged.outcome}: ${name}: ${JSON.stringify(text.slice(0, 110))}: ${told}`)
    }
  }
}
