import { PaperShape } from '../../../core/formats'
import { StudioPaper } from '../../database/models'

export default defineEventHandler(async (event) => {
  const paper = await readShape(event, PaperShape)
  useDatabase()
  if (await StudioPaper.findByPk(paper.key)) {
    throw refusal(409, `There is a paper called ${paper.name} already.`, { problems: [{ path: 'name', problem: 'is taken; choose another name' }] })
  }
  await StudioPaper.create(paper)
  setResponseStatus(event, 201)
  return paper
})
