import { Variant } from '../../database/models'

/** Removes a variant and answers it, so that it can be brought back. */
export default defineDoor(async (event) => {
  useDatabase()
  const id = getRouterParam(event, 'id') ?? ''
  const found = /^\d{1,9}$/.test(id) ? await Variant.findByPk(Number(id)) : null
  if (!found) throw refusal(404, 'That variant is gone already.')
  await found.destroy()
  const { id: _, ...variant } = listed(found)
  return { variant }
})
