import { Variant } from '../../database/models'

/** The maker's variants of folds, by name. */
export default defineDoor(async () => {
  useDatabase()
  return (await Variant.findAll({ order: [['name', 'ASC']] })).map(listed)
})
