export * from './batch-file/batch-file'
export * from './batch-file/shapes'
export { CHECKS, IsCalendarDay, IsOne, IsParameterInputs } from './batch-file/validators'
export * from './batch-file/validate'
