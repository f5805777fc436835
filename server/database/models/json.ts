import { DataTypes } from 'sequelize'
import type { Model, ModelAttributeColumnOptions } from 'sequelize'

/** A JSON column. MariaDB keeps JSON as text and hands it back as such, so it is parsed on the way out. */
export const json = (name: string): ModelAttributeColumnOptions => ({
  type: DataTypes.JSON,
  allowNull: false,
  get(this: Model) {
    const stored: unknown = this.getDataValue(name)
    return typeof stored === 'string' ? JSON.parse(stored) : stored
  },
})
