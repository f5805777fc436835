export * from './cutting'
export * from './patterns'
export * from './pieces'
export * from './roster'
