import { DataTypes } from 'sequelize'
import type { Model, ModelAttributeColumnOptions } from 'sequelize'

/** A document as it lies in a row, of any version: it is opened by the document room before anything is made of it. */
export type StoredDocument = object

/**
 * A JSON column. MariaDB keeps JSON as text and hands it back as such: it is read when somebody asks for what it says,
 * and what is written already is taken as it is.
 */
export const json = (name: string): ModelAttributeColumnOptions => ({
  type: DataTypes.TEXT('long'),
  allowNull: false,
  get(this: Model) {
    const stored: unknown = this.getDataValue(name)
    return typeof stored === 'string' ? JSON.parse(stored) : stored
  },
  set(this: Model, value: unknown) {
    this.setDataValue(name, value === null || typeof value === 'string' ? value : JSON.stringify(value))
  },
})

/** A document that is text already, on its way into a JSON column. */
export const written = (text: string): StoredDocument => text as unknown as StoredDocument

/** What a JSON column says, as text. */
export const textOf = (row: Model, name: string): string => String(row.getDataValue(name))
