export { CHOICES, choiceWords } from './choices'
export {
  ago,
  day,
  dayAndTime,
  isoDay,
  month,
  overdue,
  today,
  WEEKDAYS,
  writeDates,
} from './dates'
export { fieldName } from './fields'
export {
  bandwidth,
  capacity,
  duration,
  fasterBy,
  latency,
  numberFrom,
  roughly,
  roughRange,
  speed,
  tidy,
} from './figures'
export { calculateIn, currencySign, inUnits, minorFrom, minorUnits, money, moneyIn } from './money'
export { dateFrom, noDate } from './typedDate'
export { AS_A_WHOLE, isAside, type NameOf, valueWords } from './values'
export { capital, list, plural, uncapital } from './words'
