import { UniqueConstraintError } from 'sequelize'

/** Keeps a fold with its parameters and its dressing, or one free piece, under a name of its own. */
export default defineDoor(async (event) => {
  const variant = await readShape(event, VariantShape)
  const read = readVariant(variant)
  if (!read.ok) throw refusal(422, read.message, { problems: read.problems })
  const id = await useDatabase()
    .transaction(transaction => keepVariant(variant, read.dressing, transaction))
    .catch((error: unknown) => {
      if (!(error instanceof UniqueConstraintError)) throw error
      throw refusal(409, `There is a variant “${variant.name}” already.`, {
        problems: [{ path: 'name', problem: 'is taken; choose another name' }],
      })
    })
  setResponseStatus(event, 201)
  return { id, ...variant, dressing: read.dressing }
})
