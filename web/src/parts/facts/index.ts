export { FactTable } from './FactTable'
export {
  assumedName,
  FORMAT_NAMES,
  figureName,
  figureValue,
  PROBLEMS,
  placeOf,
  SOURCE_NAMES,
  TRUST_NAMES,
} from './words'
