import { createServer } from 'node:net'

/** How many ports after the wanted one are tried before any is taken. */
const NEXT = 20

/** Whether a port on loopback is free; 0 finds one that is. Answers its number. */
const probe = port =>
  new Promise((resolve) => {
    const server = createServer()
    server.once('error', () => resolve(undefined))
    server.listen(port, '127.0.0.1', () => {
      const { port } = server.address()
      server.close(() => resolve(port))
    })
  })

/** A free port on loopback: the wanted one, else the next that is free. */
export async function freePort(wanted = 0) {
  for (let port = wanted; wanted > 0 && port <= Math.min(65_535, wanted + NEXT); port++) {
    const free = await probe(port)
    if (free) return free
  }
  return probe(0)
}
