export * from './batch-file'
export * from './outline'
export * from './roster'
