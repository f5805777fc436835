import { shelf } from '../../../utils/classes'

/** A class with the papers on the shelf, as both are at one moment. */
export default defineDoor((event) => {
  const id = classIdOf(event)
  return atOneMoment(async (transaction) => {
    const { document } = await classOf(id, { transaction })
    return { id, document: { ...document, papers: await shelf(transaction) } }
  })
})
