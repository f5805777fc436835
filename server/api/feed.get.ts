import { listen } from '../utils/feed'

/** Server-sent events: what is changed in the studio, as it happens. */
export default defineEventHandler(async (event) => {
  const stream = createEventStream(event)
  const end = listen(news => void stream.push(JSON.stringify(news)))
  // Something at once, so that the listener knows the line is open.
  void stream.push(JSON.stringify({ position: -1, touched: [] }))
  stream.onClosed(async () => {
    end()
    await stream.close()
  })
  return await stream.send()
})
