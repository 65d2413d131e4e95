export { BuyingScreen } from './BuyingScreen'
export { WhatIfScreen } from './WhatIfScreen'
