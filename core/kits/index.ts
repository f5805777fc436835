export * from './kits'
export * from './supplies'
