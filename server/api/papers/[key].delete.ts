import { StudioClass, StudioPaper } from '../../database/models'

/** Takes a paper off the shelf unless a class still cuts from it. */
export default defineDoor(async (event) => {
  useDatabase()
  const found = await StudioPaper.findByPk(getRouterParam(event, 'key'))
  if (!found) throw refusal(404, 'That paper is no longer on the shelf.')
  const users = (await StudioClass.findAll()).flatMap(({ document }) => document.cards
    .filter(card => Object.values(card.papers).includes(found.key))
    .map(card => `${card.title} in ${document.class.title}`))
  if (users.length > 0) {
    throw refusal(409, `${found.name} is still used by ${users.slice(0, 3).join(', ')}${users.length > 3 ? ` and ${users.length - 3} more` : ''}. Choose another paper there first.`)
  }
  await found.destroy()
  return { paper: found.entry() }
})
