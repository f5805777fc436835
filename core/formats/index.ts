export * from './batch-file'
