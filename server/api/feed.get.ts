import { Studio } from '../database/models'
import { listen } from '../utils/feed'

/** Server-sent events: what is changed in the studio, as it happens. */
export default defineEventHandler(async (event) => {
  const stream = createEventStream(event)
  const end = listen(news => void stream.push(JSON.stringify(news)))
  stream.onClosed(async () => {
    end()
    await stream.close()
  })
  // Where the studio stands, at once: who knows of that already has nothing to ask. While the database is away nobody
  // knows.
  void standing()
    .catch(() => -1)
    .then(position => stream.push(JSON.stringify({ position, touched: ['*'] })))
  return await stream.send()
})

async function standing(): Promise<number> {
  useDatabase()
  return Number((await Studio.findByPk(1, { attributes: ['position'] }))?.position ?? -1)
}
