import { produce } from 'immer'
import { describe, expect, it } from 'vitest'
import { prepare } from '../batch'
import { calendarOf, eveningOf } from '.'
import { demoBatches } from '../../demo'
import { newSeat } from '../document'
import type { Batch } from '../document'
import { calendarIcs } from '../exports'

const [, tide] = demoBatches(new Date(2030, 0, 1)) as [Batch, Batch]
const batch = produce(tide, (draft) => {
  draft.class.date = '2030-03-02'
  for (const seat of draft.roster) seat.online = false
})
const classWith = (change: Partial<Batch['class']>) =>
  prepare(produce(batch, draft => void Object.assign(draft.class, change)))

describe('the order of the evening', () => {
  it('takes all the minutes of the class, whatever there is to make', () => {
    for (const lasts of [1, 7, 45, 150, 361]) {
      const parts = eveningOf(classWith({ lasts, starts: '' }))
      expect(parts.slice(1).reduce((sum, { minutes }) => sum + minutes, 0)).toBe(lasts)
      expect(parts.every(({ at, minutes }) => at === undefined && minutes >= 0)).toBe(true)
    }
  })

  it('tells when each part begins, past midnight as well', () => {
    expect(eveningOf(classWith({ starts: '18:30', lasts: 150 })).map(({ at }) => at)).toEqual([
      '18:00', '18:30', '18:40', '19:51', '20:50',
    ])
    expect(eveningOf(classWith({ starts: '23:50', lasts: 80 })).map(({ at }) => at)[3]).toBe('00:33')
    expect(eveningOf(prepare({ ...batch, cards: [] })).map(({ what }) => what)).toHaveLength(3)
  })
})

describe('the calendar', () => {
  it('puts packing on the evening before, cutting before that in blocks of two hours at most, and shopping before all of it', () => {
    const events = calendarOf(batch, { cutting: 250, ready: 20, packing: 15.2 }, ['By the quay', ''])
    expect(events.map(({ key, date, minutes }) => [key, date, minutes])).toEqual([
      ['shopping', '2030-02-23', 60],
      ['cut-1', '2030-02-25', 84],
      ['cut-2', '2030-02-26', 84],
      ['cut-3', '2030-02-27', 84],
      ['ready', '2030-02-28', 20], ['pack', '2030-03-01', 16], ['class', '2030-03-02', 150],
    ])
    expect(calendarOf(batch, { cutting: 0, ready: 0, packing: 0 }, []).map(({ key }) => key)).toEqual(['class'])
    // What dries is said where it is made ready.
    const drying = calendarOf(batch, { cutting: 0, ready: 5, packing: 1, drying: ['Wash 14 × Sky (Harbour)'] }, [])
    expect(drying.map(({ key, notes }) => [key, notes]).slice(0, 2)).toEqual([
      ['ready', 'Dries overnight, lying open: Wash 14 × Sky (Harbour).'], ['pack', ''],
    ])
    // A long preparation moves the shopping before its first block.
    expect(calendarOf(batch, { cutting: 1200, ready: 0, packing: 0 }, ['x'])[0]!.date).toBe('2030-02-18')
  })

  it('posts bags so early that they are there the day before, and does everything else before that', () => {
    const posted = produce(batch, (draft) => {
      draft.class.delivery = 'by post'
      draft.post.days = 5
    })
    const events = calendarOf(posted, { cutting: 30, ready: 0, packing: 15 }, ['By the quay'])
    expect(events.map(({ key, date, start }) => [key, date, start])).toEqual([
      ['shopping', '2030-02-20', '10:00'], ['cut', '2030-02-22', '18:00'], ['pack', '2030-02-23', '18:00'],
      ['post', '2030-02-24', '10:00'], ['class', '2030-03-02', '18:30'],
    ])
    const joined = produce(batch, draft => void (draft.roster = [{ ...newSeat('seat-2'), online: true }]))
    const [, post] = calendarOf(joined, { cutting: 0, ready: 0, packing: 15 }, [])
    expect(post).toMatchObject({ key: 'post', notes: '1 bag, today at the latest: the post takes 4 days.' })
  })

  it('is written as an open format, the same every time', async () => {
    const events = calendarOf(batch, { cutting: 40, ready: 0, packing: 15 }, [])
    const text = await calendarIcs(events, 'class-1')
    expect(text).toBe(await calendarIcs(events, 'class-1'))
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(3)
    expect(text).toContain('DTSTART:20300302T183000')
    expect(text).toContain('LOCATION:Boathouse\\, upper room')
    expect(text).toContain('UID:class-1-class@wakaru')
  })

  it('has no line of anybody else’s making, whatever a title holds', async () => {
    const [event] = calendarOf(batch, { cutting: 0, ready: 0, packing: 0 }, [])
    const title = 'Boats\r\nATTENDEE:mailto:x\nEND:VEVENT\rSUMMARY:y\u2028z'
    const text = await calendarIcs([{ ...event!, title, place: title, notes: title }], 'class-1')
    expect(text.match(/^(ATTENDEE|END:VEVENT|SUMMARY)/gm)).toEqual(['SUMMARY', 'END:VEVENT'])
    expect(text.replace(/\r\n[ \t]/g, '')).toContain('SUMMARY:Boats ATTENDEE:mailto:x END:VEVENT SUMMARY:y z')
  })
})
