import { namedPapers } from '../../../../core/document'

/**
 * A class with papers to choose from, as all are at one moment: `?with=KEY,KEY` names papers that are wanted besides.
 */
export default defineDoor((event) => {
  const id = classIdOf(event)
  const { with: wanted } = readQuery(event, WithPapersShape)
  return atOneMoment(async (transaction) => {
    const { document } = await classOf(id, { transaction })
    const { papers, more } = await choiceOfPapers(
      [...namedPapers(document), ...wanted.split(',').filter(Boolean)], transaction,
    )
    return { id, more, document: { ...document, papers } }
  })
})
