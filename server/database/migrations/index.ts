import type { QueryInterface, Sequelize } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import * as classesAndPapers from './0001-classes-and-papers'
import * as postingAndVariants from './0002-posting-and-variants'
import * as cuttingAndOffcuts from './0003-cutting-and-offcuts'
import * as documentsAndEdits from './0004-documents-and-edits'
import * as binAndLists from './0005-bin-and-lists'
import * as richerLists from './0006-richer-lists'
import * as settings from './0007-settings'
import * as dressedVariants from './0008-dressed-variants'
import * as keptAnswers from './0009-kept-answers'
import * as exactMarks from './0010-exact-marks'
import * as reserved from './0011-reserved'
import type { Migration } from './migration'
import { DONE, MIGRATIONS } from './names'

/** What each one does. They stand here, so that a bundle needs no folder to search. */
const STEPS: Record<(typeof MIGRATIONS)[number], { up: Migration, down: Migration }> = {
  '0001-classes-and-papers': classesAndPapers,
  '0002-posting-and-variants': postingAndVariants,
  '0003-cutting-and-offcuts': cuttingAndOffcuts,
  '0004-documents-and-edits': documentsAndEdits,
  '0005-bin-and-lists': binAndLists,
  '0006-richer-lists': richerLists,
  '0007-settings': settings,
  '0008-dressed-variants': dressedVariants,
  '0009-kept-answers': keptAnswers,
  '0010-exact-marks': exactMarks,
  '0011-reserved': reserved,
}

/** All migrations in their order. */
export const migrations = (sequelize: Sequelize): Umzug<QueryInterface> =>
  new Umzug({
    migrations: MIGRATIONS.map(name => ({ name, ...STEPS[name] })),
    context: sequelize.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize, tableName: DONE }),
    logger: undefined,
  })
