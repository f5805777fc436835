import { format } from 'date-fns'

/** Addresses of this machine itself. */
const LOOPBACK = /^(::ffff:)?127\.\d{1,3}\.\d{1,3}\.\d{1,3}$|^::1$/

/**
 * The page of a class for its students, or of one bag (`?seat=seat-3`), in their own units (`?units=metric`), to look
 * at or to save (`?save=yes`). Until links to it can be withdrawn it is answered on this machine only.
 */
export default defineDoor(async (event) => {
  if (!LOOPBACK.test(event.node.req.socket.remoteAddress ?? ''))
    throw refusal(
      403, 'The student page is shown on the machine that Wakaru runs on. Save it there as a file to send it.',
    )
  const { seat, units = '', save } = getQuery(event)
  if (units !== '' && units !== 'inch' && units !== 'metric') throw refusal(400, 'units is inch or metric.')
  const stored = await storedClass(classIdOf(event))
  const day = format(new Date(`${stored.day}T12:00:00`), 'EEEE d MMMM yyyy')
  const key = seat === undefined || seat === '' ? undefined : String(seat)
  const page = await checked('student', { ...stored, seat: key, units, day }, Infinity)
  if (save === 'yes') return made(event, page, 'html', 'text/html')
  if ('status' in page) throw refusal(page.status, page.message)
  setResponseHeaders(event, { 'Content-Type': 'text/html; charset=utf-8', 'Cache-Control': 'no-store' })
  return page.text
}, PATIENT)
