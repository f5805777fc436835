import { summaryOf } from '../../../core/batch'
import { StudioClass } from '../../database/models'

/** The list of classes, by day. */
export default defineDoor(async () => {
  useDatabase()
  const papers = await shelf()
  const classes = (await StudioClass.findAll()).map(({ id, document }) => ({ id, ...summaryOf(classFrom(document), papers) }))
  return classes.sort((a, b) => a.date.localeCompare(b.date) || a.id - b.id)
})
