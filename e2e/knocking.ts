import type { APIRequestContext, APIResponse } from '@playwright/test'
import { plainPaper } from '../core/document'

/** The classes and papers whose title or name starts with a word; other tests make theirs meanwhile. */
export async function called(request: APIRequestContext, word: string): Promise<string[]> {
  const [{ classes }, { papers }] = await Promise.all(
    ['/api/classes', '/api/papers'].map(async path =>
      (await request.get(path, { params: { search: word, limit: 100 } })).json(),
    ),
  )
  return [...classes, ...papers]
    .map(({ title, name }: { title?: string, name?: string }) => title ?? name!)
    .filter(name => name.startsWith(word))
}

export const said = async (answer: APIResponse): Promise<[number, string]> =>
  [answer.status(), (await answer.json()).message]
export const json = (text: string) => ({ data: Buffer.from(text), headers: { 'Content-Type': 'application/json' } })
export const statuses = (answers: APIResponse[]) => answers.map(answer => answer.status()).sort()
export const GONE = /no such class/
export const paper = plainPaper({
  key: 'doormat',
  name: 'Doormat',
  kind: 'cardstock',
  weight: 200,
  colour: '#777777',
  stocks: [{ key: 'letter', width: '8 1/2 in', height: '11 in', onHand: 4, pack: 1, price: 30 }],
})

export const details = { title: 'Doorstep', date: '2030-03-01', seats: 4, spares: 0, starts: '', lasts: 120, place: '',
  delivery: 'in person', units: 'inch', notes: '' }
