/** The version that every document carries. A change of shape raises it and adds a step to `upgrades/`. */
export const VERSION = 13
export const BATCH_FORMAT = 'wakaru-batch'
