import type { CheckName } from './checks'
import { CHECKS } from './checks'

/** Does one check for the application, in a thread. */
export default ({ name, input }: { name: CheckName, input: never }): unknown => CHECKS[name](input)
