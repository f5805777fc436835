import type { Batch, ClassDetails } from '../document'
import type { Preparation } from '../batch'
import { count, sumOf } from '../lists'
import { makingMinutes } from './minutes'

/*
 * When what is done: the order of the evening, and the blocks before it. No clock is asked: everything follows from
 * the day of the class.
 */

/** A part of the evening. */
export interface EveningPart {
  /** When it begins, HH:MM; missing while nobody said when the class does. */
  at?: string
  what: string
  minutes: number
}

const SETTING_UP = 30
const ROUND = 10
/** Minutes at the beginning and the end of a class that are no making; an eighth of a short one. */
export const roundOf = (lasts: number): number => Math.min(ROUND, Math.floor(lasts / 8))

const clock = (minutes: number): string => {
  const day = ((minutes % 1440) + 1440) % 1440
  return `${String(Math.floor(day / 60)).padStart(2, '0')}:${String(day % 60).padStart(2, '0')}`
}
const minutesIn = (time: string): number => Number(time.slice(0, 2)) * 60 + Number(time.slice(3))

/** The time of day so many minutes after a class has begun, HH:MM; nothing while nobody said when it begins. */
export const clockAfter = ({ starts }: Pick<ClassDetails, 'starts'>, minutes: number): string | undefined =>
  (starts === '' ? undefined : clock(minutesIn(starts) + Math.round(minutes)))

/**
 * The order of the evening with its minutes: what is left between welcome and clearing up goes to the cards by what
 * they take.
 */
export function eveningOf({ batch, cards }: Pick<Preparation, 'batch' | 'cards'>): EveningPart[] {
  const { class: { starts, lasts, units }, evening } = batch
  const round = roundOf(lasts)
  const taught = cards.filter(({ kits, construction }) => kits > 0 && construction)
  // What takes no time at all still has its place.
  const minutesOf = new Map(taught.map(card => [card, Math.max(1, makingMinutes(card, evening, units))]))
  let left = lasts - 2 * round
  let open = sumOf(minutesOf.values())
  const making = taught.map((card) => {
    // Shared out so that no minute is lost.
    const own = minutesOf.get(card) ?? 1
    const minutes = Math.round((left * own) / open)
    left -= minutes
    open -= own
    return { what: `Make ${card.entry.title}`, minutes }
  })
  const parts = [
    { what: 'Welcome; everybody checks their bag by its list', minutes: round },
    ...making,
    {
      what: 'Finish, write, envelopes; clear up',
      minutes: lasts - round - making.reduce((sum, { minutes }) => sum + minutes, 0),
    },
  ]
  if (starts === '') return [{ what: 'Set the tables up', minutes: SETTING_UP }, ...parts]
  let at = minutesIn(starts)
  return [
    { at: clock(at - SETTING_UP), what: 'Set the tables up', minutes: SETTING_UP },
    ...parts.map((part) => {
      const begins = clock(at)
      at += part.minutes
      return { at: begins, ...part }
    }),
  ]
}

/** Something for the calendar. */
export interface CalendarEvent {
  key: string
  title: string
  /** YYYY-MM-DD. */
  date: string
  /** HH:MM. */
  start: string
  minutes: number
  place: string
  notes: string
}

/** Nobody cuts well for longer. */
const LONGEST_BLOCK = 120
const EVENING = '18:00'
const MORNING = '10:00'
/** Minutes for each place that something is bought at. */
const BUYING = 30

const dryingNote = (drying: string[] = []): string =>
  (drying.length > 0 ? `Dries overnight, lying open: ${drying.join('; ')}.` : '')

const daysBefore = (date: string, days: number): string =>
  new Date(Date.parse(`${date}T00:00:00Z`) - days * 86_400_000).toISOString().slice(0, 10)

/** What is planned before a class, in minutes of work. */
export interface WorkBefore {
  cutting: number
  ready: number
  packing: number
  /** What of it dries overnight before it is packed, as a list names it. */
  drying?: string[]
}

/**
 * The class and what comes before it: packing the evening before, making ready and cutting before that in blocks of at
 * most two hours, shopping a week before, or earlier where the cutting needs it. Bags that go by post are on their way
 * in time, and everything before that comes so many days sooner.
 * @param places where something has to be bought
 */
export function calendarOf(
  {
    class: { title, date, starts, lasts, place, notes, delivery }, post, roster,
  }: Pick<Batch, 'class' | 'post' | 'roster'>,
  minutes: WorkBefore,
  places: string[],
): CalendarEvent[] {
  const away = roster.filter(({ online }) => online).length
  const isPosted = minutes.packing > 0 && (delivery === 'by post' || away > 0)
  // What is posted on a day is there so many days later, and that is the day before the class.
  let day = isPosted ? post.days + 1 : 0
  const posting: CalendarEvent[] = isPosted
    ? [{
        key: 'post',
        title: `Post the bags: ${title}`,
        date: daysBefore(date, day),
        start: MORNING,
        minutes: BUYING,
        place: '',
        notes: `${delivery === 'by post' ? 'All bags' : count(away, 'bag')}, today at the latest: the post takes ${
          count(post.days, 'day')}.`,
      }]
    : []
  const blocks = (key: string, what: string, total: number, notes = ''): CalendarEvent[] => {
    const whole = Math.ceil(total)
    const parts = Math.ceil(whole / LONGEST_BLOCK)
    return Array.from({ length: parts }, (_, at) => {
      day++
      return {
        key: parts > 1 ? `${key}-${parts - at}` : key,
        title: `${what}: ${title}`,
        date: daysBefore(date, day),
        start: EVENING,
        minutes: Math.ceil(whole / parts),
        place: '',
        notes,
      }
    })
  }
  const work = [
    ...blocks('pack', 'Pack the bags', minutes.packing),
    ...blocks('ready', 'Score and make ready', minutes.ready, dryingNote(minutes.drying)),
    ...blocks('cut', 'Cut', minutes.cutting),
  ]
  const shopping: CalendarEvent[] = places.length === 0
    ? []
    : [{
        key: 'shopping',
        title: `Shopping: ${title}`,
        date: daysBefore(date, Math.max(7, day + 2)),
        start: MORNING,
        minutes: BUYING * places.length,
        place: places.filter(Boolean).join(', '),
        notes: '',
      }]
  return [
    ...shopping,
    ...work.reverse(),
    ...posting,
    { key: 'class', title, date, start: starts || EVENING, minutes: lasts, place, notes },
  ]
}
