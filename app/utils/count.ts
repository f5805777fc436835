export { count } from '../../core/lists'
