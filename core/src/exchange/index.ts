export {
  EXCHANGE_FORMAT,
  EXCHANGE_VERSION,
  ExchangedJob,
  exchangeSchema,
} from './exchanged'
export { readExchanged, type Unreadable } from './read'
