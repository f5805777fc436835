import { KeptShape } from '../../utils/shapes'

/** What is kept under some identifiers: `?ids=ID,ID`. Answers only those that are there. */
export default defineDoor(async event => await keptUnder(readQuery(event, KeptShape).ids.split(',')))
