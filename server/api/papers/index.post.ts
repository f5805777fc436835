import { UniqueConstraintError } from 'sequelize'
import { PaperShape } from '../../../core/formats'
import { StudioPaper } from '../../database/models'

export default defineDoor(async (event) => {
  const paper = await readShape(event, PaperShape)
  useDatabase()
  try {
    await StudioPaper.create(paper)
  }
  catch (error) {
    if (!(error instanceof UniqueConstraintError)) throw error
    throw refusal(409, `There is a paper called ${paper.name} already.`, { problems: [{ path: 'name', problem: 'is taken; choose another name' }] })
  }
  setResponseStatus(event, 201)
  return paper
})
