export * from './model'
export * from './rehearse'
