export * from './order'
export * from './techniques'
