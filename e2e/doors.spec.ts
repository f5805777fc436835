import { expect, test } from '@playwright/test'
import { classNow, demoClass, sendEdit } from './studio'
import { called, said, json, statuses, GONE, paper, details } from './knocking'

test.describe('changes of a class at the door', () => {
  const set = (path: string[], value: unknown) => ({ op: 'set', path, value })

  test('are answered what is wrong with them, and nothing changes', async ({ request }) => {
    const id = await demoClass(request, 'Doors')
    const { position, document } = await classNow(request, id)
    const { papers: _, ...before } = document
    const [card] = document.cards
    const send = async (patches: unknown, more: object = {}) =>
      said(await sendEdit(request, { class: id, since: position, patches, ...more }))
    expect(await send([set(['cards', card.key, 'parameters'], { width: 'x' })])).toEqual([
      422,
      expect.stringContaining('cards[0].parameters.width'),
    ])
    expect(await send([set(['class', 'seats'], -1)])).toEqual([
      422, expect.stringContaining('class.seats must be at least 1'),
    ])
    expect(await send([set(['cards'], [card, card])])).toEqual([422, expect.stringContaining('cards[1].key')])
    expect(await send([set(['cards'], Array(41).fill(card))])).toEqual([422, expect.stringContaining('cards')])
    expect(await send([set(['class', 'seats'], 9), set(['version'], 99)])).toEqual([
      422, expect.stringContaining('version'),
    ])
    expect(await send([set(['cards', card.key, 'papers', 'base'], 'velvet')])).toEqual([
      422,
      expect.stringContaining('“velvet”, which is not on the shelf'),
    ])
    expect(await send([{ op: 'add', path: ['cards'], entry: card, after: null }])).toEqual([
      409,
      expect.stringContaining('is there already'),
    ])
    expect(await send([{ op: 'remove', path: ['cards', 'nothing'] }])).toEqual([
      409, expect.stringContaining('is not there any more'),
    ])
    for (const patches of [
      {},
      [{}],
      [{ op: 'move', path: ['cards'] }],
      [{ op: 'set', path: [] }],
      [{ op: 'set', path: ['class', 7], value: 1 }],
      [{ op: 'unset', path: ['class'], value: 1 }],
      'all',
    ]) {
      expect((await send(patches))[0], JSON.stringify(patches)).toBe(422)
    }
    expect(await send([], { since: 'newest' })).toEqual([
      422, expect.stringContaining('since is the position that was read'),
    ])
    expect(await send([], { token: '?' })).toEqual([422, expect.stringContaining('token')])
    expect(await send([set(['class', 'seats'], 9)], { class: null })).toEqual([
      422, expect.stringContaining('without a class'),
    ])
    expect(await said(await request.post('/api/edits', json('no json')))).toEqual([422, 'The request is not JSON.'])
    expect((await classNow(request, id)).document).toMatchObject(before)
  })

  test('keep names that mean something to a program as plain data', async ({ request }) => {
    const id = await demoClass(request, 'Names')
    const { position, document } = await classNow(request, id)
    for (const name of ['__proto__', 'constructor', 'toString']) {
      const answer = await said(
        await sendEdit(request, {
          class: id,
          since: position,
          patches: [set(['cards', document.cards[0].key, 'parameters', name], '1 in')],
        }),
      )
      expect([name, ...answer]).toEqual([name, expect.any(Number), expect.stringContaining(`parameters.${name}`)])
      expect([409, 422]).toContain(answer[0])
    }
    expect((await classNow(request, id)).document.cards).toEqual(document.cards)
  })

  test('of the same thing at the same moment are made once; of different things all', async ({ request }) => {
    const id = await demoClass(request, 'At the same moment')
    const { position, document } = await classNow(request, id)
    const seats = Array.from({ length: 25 }, (_, index) => index + 5)
    const same = await Promise.all(
      seats.map(number =>
        sendEdit(request, { class: id, since: position, patches: [set(['class', 'seats'], number)] }),
      ),
    )
    expect(statuses(same)).toEqual([200, ...Array(24).fill(409)])
    const winner = seats[same.findIndex(answer => answer.ok())]
    const different = await Promise.all(
      seats.map(number =>
        sendEdit(request, {
          class: id,
          since: position,
          patches: [
            set(['cards', document.cards[0].key, 'parameters', 'border'], '1/8 in'),
            {
              op: 'add',
              path: ['cutting'],
              entry: { paper: `none-${number}`, priority: null, moreSheets: null, without: [],
                also: [], apart: false, layouts: [], spoiled: [], miscut: [] },
              after: null,
            },
          ],
        }),
      ),
    )
    expect(statuses(different)).toEqual(Array(25).fill(200))
    const after = (await classNow(request, id)).document
    expect([after.class.seats, after.cutting.length]).toEqual([winner, 25])
  })

  test('sent again are recognised, whatever has happened since', async ({ request }) => {
    const id = await demoClass(request, 'Sent again')
    const { position } = await classNow(request, id)
    const edit = {
      class: id, since: position, token: 'sent-once-and-again', patches: [set(['class', 'title'], 'Sent once')],
    }
    const first = await (await sendEdit(request, edit)).json()
    await sendEdit(request, { class: id, since: first.position, patches: [set(['class', 'title'], 'Later')] })
    expect(await (await sendEdit(request, edit)).json()).toEqual(first)
    expect((await classNow(request, id)).document.class.title).toBe('Later')
  })

  test('of class and shelf are made together, or not at all', async ({ request }) => {
    const id = await demoClass(request, 'Together')
    const before = await classNow(request, id)
    await sendEdit(request, {
      class: null,
      since: before.position,
      patches: [{ op: 'add', path: ['papers'], entry: { ...paper, key: 'together', name: 'Together' }, after: null }],
    })
    const { position } = await classNow(request, id)
    const taken = set(['papers', 'together', 'stocks', 'letter', 'onHand'], 3)
    expect(
      (await sendEdit(request, { class: id, since: position, patches: [taken, set(['class', 'seats'], 0)] })).status(),
    ).toBe(422)
    const onHand = async () =>
      (await classNow(request, id)).document.papers.find(({ key }: { key: string }) => key === 'together').stocks[0]
        .onHand
    expect(await onHand()).toBe(4)
    expect(
      (await sendEdit(request, { class: id, since: position, patches: [taken, set(['class', 'seats'], 9)] })).status(),
    ).toBe(200)
    expect([await onHand(), (await classNow(request, id)).document.class.seats]).toEqual([3, 9])
  })
})

test.describe('a class at the door', () => {
  test('that is not there is said to be gone, at every address', async ({ request }) => {
    const id = await demoClass(request, 'Gone')
    expect((await request.delete(`/api/classes/${id}`)).ok()).toBe(true)
    for (const gone of [String(id), '0', '-1', '1e3', '99999999999999999999', '%00', 'abc']) {
      const at = `/api/classes/${gone}`
      const answers = await Promise.all([
        request.get(at),
        request.get(`${at}/file`),
        request.get(`${at}/pieces`),
        request.get(`${at}/pattern?card=a&part=b&format=svg`),
        request.delete(at),
        request.post(`${at}/copy`, { data: { title: 'Copy', date: '2030-01-01' } }),
      ])
      for (const answer of answers)
        expect([gone, ...(await said(answer))]).toEqual([gone, 404, expect.stringMatching(GONE)])
    }
    expect(
      await said(
        await sendEdit(request, { class: id, since: 0, patches: [{ op: 'set', path: ['class', 'seats'], value: 3 }] }),
      ),
    ).toEqual([404, expect.stringMatching(GONE)])
  })

  test('needs a title, a day there is, and seats', async ({ request }) => {
    const post = async (change: object) => said(await request.post('/api/classes', { data: { ...details, ...change } }))
    expect(await post({ title: '  ' })).toEqual([422, expect.stringContaining('title cannot be empty')])
    expect(await post({ title: 'x'.repeat(121) })).toEqual([422, expect.stringContaining('title')])
    expect(await post({ date: '2030-02-30' })).toEqual([422, expect.stringContaining('date')])
    expect(await post({ seats: 1.5 })).toEqual([422, expect.stringContaining('seats')])
    expect(await post({ seats: 501 })).toEqual([422, expect.stringContaining('seats')])
    expect(await post({ units: 'cubits' })).toEqual([422, expect.stringContaining('units')])
    expect(await post({ teacher: 'somebody' })).toEqual([422, expect.stringContaining('teacher')])
    expect(await called(request, 'Doorstep')).toEqual([])
  })

  test('is copied under a title and to a day, or not at all', async ({ request }) => {
    const id = await demoClass(request, 'Door copy')
    const copy = async (data: object) => said(await request.post(`/api/classes/${id}/copy`, { data }))
    expect(await copy({ title: '', date: '2030-01-01' })).toEqual([422, expect.stringContaining('title')])
    expect(await copy({ title: 'Door copy soon', date: 'soon' })).toEqual([422, expect.stringContaining('date')])
    expect(await called(request, 'Door copy')).toEqual(['Door copy'])
    const made = await request.post(`/api/classes/${id}/copy`, { data: { title: 'Copy of it', date: '2031-05-06' } })
    expect(made.status()).toBe(201)
    const { document } = await (await request.get(`/api/classes/${(await made.json()).id}`)).json()
    expect(document.class).toMatchObject({ title: 'Copy of it', date: '2031-05-06' })
  })
})
