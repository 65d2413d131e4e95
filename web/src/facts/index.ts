export { FactTable } from './FactTable'
export {
  FORMAT_NAMES,
  figureName,
  figureValue,
  PROBLEMS,
  placeOf,
  SOURCE_NAMES,
  TRUST_NAMES,
} from './words'
