export * from './advice'
export * from './model'
export * from './problem'
export * from './rehearse'
