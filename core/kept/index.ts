export { keptPlans } from './plans'
export { keptSharing } from './sharing'
