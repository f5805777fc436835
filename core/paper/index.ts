export * from './formats'
export * from './paper'
