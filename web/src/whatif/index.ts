export { WhatIf } from './WhatIf'
