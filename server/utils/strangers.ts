/** As much of a request as tells where it comes from. */
export interface Caller {
  method: string
  path: string
  headers: Record<string, string | string[] | undefined>
}

const LOOPBACK = ['localhost', '127.0.0.1', '[::1]']

/** Names that Wakaru answers to, besides those of this machine itself: `WAKARU_HOSTS`, parted by commas. */
export const hostsFrom = (listed = ''): string[] =>
  [...LOOPBACK, ...listed.split(',').map(name => name.trim().toLowerCase())].filter(Boolean)

const one = (value: string | string[] | undefined): string => (Array.isArray(value) ? (value[0] ?? '') : (value ?? ''))

/** The name in a host header, without its port. */
const nameOf = (host: string): string => host.toLowerCase().replace(/:\d{1,5}$/, '')

/**
 * Why a request is not answered, if it is not: it asks for another name than Wakaru's (a page elsewhere that has
 * its own name point here would read and write otherwise), or a page elsewhere sends it.
 * @param hosts names that are answered to
 */
export function strangeness({ method, path, headers }: Caller, hosts: string[]): string | undefined {
  const host = one(headers.host)
  if (!hosts.includes(nameOf(host)))
    return 'Wakaru does not answer under this name. Use the address that the start command shows.'
  const site = one(headers['sec-fetch-site'])
  const reads = method === 'GET' || method === 'HEAD'
  // A link on another page may lead to one of ours, but nothing there may fetch from us.
  const follows
    = reads && one(headers['sec-fetch-mode']) === 'navigate' && one(headers['sec-fetch-dest']) === 'document'
  if (site !== '' && site !== 'same-origin' && site !== 'none' && !(follows && !path.startsWith('/api/')))
    return 'Wakaru answers its own pages only.'
  const origin = one(headers.origin)
  if (!origin || (reads && !path.startsWith('/api/'))) return undefined
  if (!URL.canParse(origin) || new URL(origin).host !== host) return 'Changes are taken from Wakaru’s own pages only.'
  return undefined
}
