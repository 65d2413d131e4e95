import {
  CONDITIONS,
  type Condition,
  type Conditions,
  SURROUNDINGS,
  type Surrounding,
} from '../../things/model'

export { CONDITIONS, type Condition, type Conditions, SURROUNDINGS, type Surrounding }

/** In what two sets differ, as far as both say it. */
export const differing = (a: Conditions, b: Conditions): Condition[] =>
  CONDITIONS.filter(
    (one) => plain(a[one]) !== '' && plain(b[one]) !== '' && plain(a[one]) !== plain(b[one]),
  )

const plain = (text = ''): string => text.trim().toLowerCase().replace(/\s+/g, ' ')
