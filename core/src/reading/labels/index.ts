export { type CodeFields, codeFields, codeLine } from './codes'
export { readLabels } from './labels'
export { bestLook, type RecognisedLabel, type RecognisedLine, recognisedLabel } from './recognised'
