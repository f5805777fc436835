import getPort, { clearLockedPorts, portNumbers } from 'get-port'

/** How many ports after the wanted one are tried before any is taken. */
const NEXT = 20

/** A free port on loopback: the wanted one, else the next that is free. */
export function freePort(wanted = 0): Promise<number> {
  // What is started again wants the port that it was given before.
  clearLockedPorts()
  const port = wanted > 0 ? portNumbers(wanted, Math.min(65_535, wanted + NEXT)) : undefined
  return getPort({ host: '127.0.0.1', port })
}
