export { Candidates } from './Candidates'
export { WhatIf } from './WhatIf'
