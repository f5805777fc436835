import type { Sequelize } from 'sequelize'
import { defineStudioClass } from './studio-class'
import { defineStudioPaper } from './studio-paper'

export { StudioClass } from './studio-class'
export { StudioPaper } from './studio-paper'

export function defineModels(sequelize: Sequelize): void {
  defineStudioClass(sequelize)
  defineStudioPaper(sequelize)
}
