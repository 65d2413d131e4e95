export { Button } from './Button'
export { Check } from './Check'
export { Confirm } from './Confirm'
export { callout } from './callout'
export { DateInput, NO_DATE } from './DateInput'
export { Dialog } from './Dialog'
export { Disclosure } from './Disclosure'
export { Fault } from './Fault'
export { type Control, Field, inputLook } from './Field'
export { FileDrop } from './FileDrop'
export { IconButton } from './IconButton'
export { Nothing, Unread, Waiting } from './InPlace'
export { kept } from './kept'
export { Message } from './Message'
export { More } from './More'
export { calculateIn, currencySign, inUnits, minorFrom, minorUnits, money, moneyIn } from './money'
export { OnDemand } from './OnDemand'
export { Select } from './Select'
export { saveAs } from './saveAs'
export {
  ago,
  capacity,
  capital,
  day,
  dayAndTime,
  isoDay,
  list,
  month,
  overdue,
  plural,
  tidy,
  today,
  uncapital,
} from './say'
export { Tab } from './Tab'
export { numberFrom, TextInput } from './TextInput'
export { useMedia } from './useMedia'
export { useTab } from './useTab'
