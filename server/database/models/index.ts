import type { Sequelize } from 'sequelize'
import { defineBin } from './bin'
import { defineHistory } from './history'
import { defineKept } from './kept'
import { defineSettings } from './settings'
import { defineStudioClass } from './studio-class'
import { defineStudioPaper } from './studio-paper'
import { defineTakes } from './take'
import { defineVariant } from './variant'

export { Binned } from './bin'
export { Change, Edit, Studio } from './history'
export { Kept } from './kept'
export { Settings } from './settings'
export { PaperUse, StudioClass } from './studio-class'
export { StudioPaper } from './studio-paper'
export { Awaited, Takes } from './take'
export { Variant } from './variant'

export function defineModels(sequelize: Sequelize): void {
  defineStudioClass(sequelize)
  defineStudioPaper(sequelize)
  defineVariant(sequelize)
  defineBin(sequelize)
  defineHistory(sequelize)
  defineSettings(sequelize)
  defineKept(sequelize)
  defineTakes(sequelize)
}
