export * from './kits'
export * from './fastenings'
