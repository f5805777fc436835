export * from './length'
export * from './marks'
export * from './measure'
export * from './text'
