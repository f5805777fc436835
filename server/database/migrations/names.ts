/** Table in which the migrations that are done are noted. */
export const DONE = 'sequelize_meta'

/** Names of all migrations, in their order. */
export const MIGRATIONS = [
  '0001-classes-and-papers',
  '0002-posting-and-variants',
  '0003-cutting-and-offcuts',
  '0004-documents-and-edits',
  '0005-bin-and-lists',
  '0006-richer-lists',
  '0007-settings',
  '0008-dressed-variants',
  '0009-kept-answers',
  '0010-exact-marks',
  '0011-reserved',
] as const
