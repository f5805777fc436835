import { StudioClass } from '../../database/models'

export default defineEventHandler(async () => {
  const papers = await shelf()
  const classes = (await StudioClass.findAll()).map(studioClass => summaryOf(studioClass, papers))
  return classes.sort((a, b) => a.date.localeCompare(b.date) || a.id - b.id)
})
