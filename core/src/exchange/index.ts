export {
  EXCHANGE_FORMAT,
  EXCHANGE_VERSION,
  EXCHANGED_LISTS,
  ExchangedJob,
  exchangeSchema,
} from './exchanged'
export { readExchanged, type Unreadable } from './read'
