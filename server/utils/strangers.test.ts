import { describe, expect, it } from 'vitest'
import { hostsFrom, strangeness } from './strangers'

const hosts = hostsFrom('Studio.example, ')
const ask = (headers: Record<string, string>, method = 'GET', path = '/api/classes') =>
  strangeness({ method, path, headers }, hosts)

describe('who is answered', () => {
  it('asks for this machine, or for a name that was allowed, under any port', () => {
    for (const host of ['localhost', 'localhost:4173', '127.0.0.1:1', '[::1]:4173', 'STUDIO.example:8080'])
      expect([host, ask({ host })]).toEqual([host, undefined])
  })

  it.each(['GET', 'HEAD', 'POST', 'DELETE', 'OPTIONS'])('does not come under another name, by %s', (method) => {
    for (const host of [
      'evil.example', 'evil.example:4173', 'localhost.evil.example', '127.0.0.1.evil.example', '', 'evil.example:1:1',
    ])
      expect(ask({ host, origin: `http://${host}` }, method)).toContain('does not answer under this name')
    expect(ask({}, method)).toContain('does not answer under this name')
  })

  it('is no page of somebody else that fetches or sends', () => {
    const host = 'localhost:4173'
    expect(ask({ host, 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'no-cors' })).toBe(
      'Wakaru answers its own pages only.',
    )
    expect(ask({ host, 'sec-fetch-site': 'same-site' }, 'POST')).toBe('Wakaru answers its own pages only.')
    expect(
      ask({ host, 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate', 'sec-fetch-dest': 'document' }),
    ).toBeDefined()
    expect(ask({ host, origin: 'http://evil.example' }, 'POST')).toContain('own pages only')
    expect(ask({ host, origin: 'null' }, 'POST')).toContain('own pages only')
    expect(ask({ host, origin: 'http://localhost:1' }, 'POST')).toContain('own pages only')
  })

  it('may follow a link to a page, and be one of our own', () => {
    const host = 'localhost:4173'
    const link = { host, 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate', 'sec-fetch-dest': 'document' }
    expect(ask(link, 'GET', '/folds')).toBeUndefined()
    expect(ask({ host, 'sec-fetch-site': 'same-origin', 'origin': `http://${host}` }, 'POST')).toBeUndefined()
    expect(ask({ host, 'sec-fetch-site': 'none' })).toBeUndefined()
  })
})
