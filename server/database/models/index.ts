import type { Sequelize } from 'sequelize'
import { defineHistory } from './history'
import { defineStudioClass } from './studio-class'
import { defineStudioPaper } from './studio-paper'
import { defineVariant } from './variant'

export { Change, Edit, Studio } from './history'
export { StudioClass } from './studio-class'
export { StudioPaper } from './studio-paper'
export { Variant } from './variant'

export function defineModels(sequelize: Sequelize): void {
  defineStudioClass(sequelize)
  defineStudioPaper(sequelize)
  defineVariant(sequelize)
  defineHistory(sequelize)
}
