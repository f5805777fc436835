import { serve } from '../serve'
import { main } from '../talk'

/** Serves for a test, as the start command does; the options are given as JSON. */
main(async () => {
  const { address, ended } = await serve(JSON.parse(process.argv[2] ?? '{}'))
  console.log(`ready ${address}`)
  throw new Error(await ended)
})
