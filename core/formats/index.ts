export * from './batch-file'
export * from './outline'
