export * from './bought'
export * from './kits'
export * from './usage'
