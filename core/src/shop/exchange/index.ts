export {
  EXCHANGE_FORMAT,
  EXCHANGE_VERSION,
  ExchangedJob,
  exchangeSchema,
} from './exchanged'
export { isUnderWay, readExchanged, type Unreadable } from './read'
