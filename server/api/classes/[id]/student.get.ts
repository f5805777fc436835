import { format } from 'date-fns'
import { packedBags, prepare } from '../../../../core/batch'
import { studentPage } from '../../../../core/prints'

/** Addresses of this machine itself. */
const LOOPBACK = ['127.0.0.1', '::1', '::ffff:127.0.0.1']

/**
 * The page of a class for its students, or of one bag (`?seat=seat-3`), in their own units (`?units=metric`), to look at or to save
 * (`?save=yes`). Until links to it can be withdrawn it is answered on this machine only.
 */
export default defineDoor(async (event) => {
  if (!LOOPBACK.includes(event.node.req.socket.remoteAddress ?? ''))
    throw refusal(403, 'The student page is shown on the machine that Wakaru runs on. Save it there as a file to send it.')
  const { seat, units = '', save } = getQuery(event)
  if (units !== '' && units !== 'inch' && units !== 'metric') throw refusal(400, 'units is inch or metric.')
  const batch = await batchOf(classIdOf(event))
  const preparation = prepare(batch)
  const key = seat === undefined || seat === '' ? undefined : String(seat)
  const day = format(new Date(`${batch.class.date}T12:00:00`), 'EEEE d MMMM yyyy')
  const page = studentPage(preparation, key, units || batch.class.units, day)
  if (page === undefined) {
    const bags = packedBags(preparation)
    throw refusal(404, `The class has no such bag; it has ${bags[0]?.key ?? 'none'} to ${bags.at(-1)?.key ?? 'none'}.`)
  }
  if (save === 'yes') download(event, `${batch.class.title} ${key ?? ''}`, 'html', 'text/html')
  else setResponseHeaders(event, { 'Content-Type': 'text/html; charset=utf-8', 'Cache-Control': 'no-store' })
  return page
})
