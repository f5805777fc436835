export { keptPlans } from './plans'
export { keptSharing } from './sharing'
export { keptTogether } from './together'
