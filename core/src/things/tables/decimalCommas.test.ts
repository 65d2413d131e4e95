import fc from 'fast-check'
import { expect, test } from 'vitest'
import { commaReadings, joinedCells } from '.'

const rowsOf = (text: string) => text.split('\n').map((line) => line.split(','))
const waysOf = (headings: string, rows: string) =>
  commaReadings({ separator: ',', headings: headings.split(',') }, rowsOf(rows))

test('rows with as many cells as headings are not asked about, nor those parted otherwise', () => {
  expect(waysOf('a,ms', '1,16.7\n2,17.1')).toBeNull()
  expect(waysOf('a,ms', '1,16\n2,17\n3,16,2')).toBeNull()
  expect(waysOf('a,ms', '')).toBeNull()
  expect(commaReadings({ separator: ';', headings: ['a'] }, [['1', '2']])).toBeNull()
})

test('every way that fits is told, and where words or signs stand it fits no other', () => {
  expect(waysOf('a,ms', '1,16,7\n2,17,1')).toEqual([[1], [0]])
  expect(waysOf('a,ms', 'x,16,7\ny,17,1')).toEqual([[1]])
  expect(waysOf('ms,change', '16,7,-3\n17,1,-2')).toEqual([[0]])
  // All of them are decimal: there is one way only.
  expect(waysOf('s,ms,load', '0,1,16,7,40,5\n0,2,17,1,41,5')).toEqual([[0, 1, 2]])
  expect(waysOf('a,b', 'x,y,z\nx,y,z')).toEqual([])
  expect(waysOf('a,b', '1,2,3,4,5\n1,2,3,4,5')).toEqual([])
})

test('a row is joined with points; one with too few or too many cells is not forced', () => {
  expect(joinedCells(['1', '16', '7'], 2, [1])).toEqual(['1', '16.7'])
  expect(joinedCells(['1', '16', '7'], 2, [0])).toEqual(['1.16', '7'])
  expect(joinedCells(['1', '16'], 2, [1])).toEqual(['1', '16'])
  expect(joinedCells(['1', '2', '3', '4'], 2, [1])).toEqual([])
})

test('what was written with decimal commas is among the ways, and reads back', () => {
  const column = fc.record({ comma: fc.boolean(), word: fc.boolean() })
  fc.assert(
    fc.property(
      fc.array(column, { minLength: 1, maxLength: 6 }),
      fc.array(fc.array(fc.tuple(fc.nat(99), fc.nat(99)), { minLength: 6, maxLength: 6 }), {
        minLength: 2,
        maxLength: 5,
      }),
      (columns, figures) => {
        fc.pre(columns.some(({ comma }) => comma))
        const headings = columns.map((_, at) => `c${at}`)
        const commas = columns.flatMap(({ comma }, at) => (comma ? [at] : []))
        const rows = figures.map((row) =>
          columns.map(({ comma, word }, at) => {
            const [whole, part] = row[at] as [number, number]
            return comma ? `${whole},${part}` : word ? `w${whole}` : `${whole}`
          }),
        )
        const parted = rows.map((cells) => cells.join(',').split(','))
        const ways = commaReadings({ separator: ',', headings }, parted) as number[][]
        if (ways.length < 8) expect(ways).toContainEqual(commas)
        expect(joinedCells(parted[0] as string[], headings.length, commas)).toEqual(
          (rows[0] as string[]).map((cell) => cell.replace(',', '.')),
        )
      },
    ),
  )
})
