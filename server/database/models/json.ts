import { DataTypes } from 'sequelize'
import type { Model, ModelAttributeColumnOptions } from 'sequelize'

/** A document as it lies in a row, of any version: it is opened by the document room before anything is made of it. */
export type StoredDocument = object

/** A JSON column. MariaDB keeps JSON as text and hands it back as such, so it is parsed on the way out. */
export const json = (name: string): ModelAttributeColumnOptions => ({
  type: DataTypes.JSON,
  allowNull: false,
  get(this: Model) {
    const stored: unknown = this.getDataValue(name)
    return typeof stored === 'string' ? JSON.parse(stored) : stored
  },
})
