import {
  SURROUNDINGS,
  type Surrounding,
  TEST_CONDITIONS,
  type TestCondition,
  type TestConditions,
} from '../../things/model'

export { SURROUNDINGS, type Surrounding, TEST_CONDITIONS, type TestCondition, type TestConditions }

/** In what two sets differ, as far as both say it. */
export const differing = (a: TestConditions, b: TestConditions): TestCondition[] =>
  TEST_CONDITIONS.filter(
    (one) => plain(a[one]) !== '' && plain(b[one]) !== '' && plain(a[one]) !== plain(b[one]),
  )

const plain = (text = ''): string => text.trim().toLowerCase().replace(/\s+/g, ' ')
