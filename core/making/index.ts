export * from './order'
