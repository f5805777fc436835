import type { QueryInterface, Sequelize } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import * as classesAndPapers from './0001-classes-and-papers'
import * as postingAndVariants from './0002-posting-and-variants'
import * as cuttingAndOffcuts from './0003-cutting-and-offcuts'
import * as documentsAndEdits from './0004-documents-and-edits'

/** All migrations in their order. They are named here, so that a bundle needs no folder to search. */
export const migrations = (sequelize: Sequelize): Umzug<QueryInterface> => new Umzug({
  migrations: [
    { name: '0001-classes-and-papers', ...classesAndPapers },
    { name: '0002-posting-and-variants', ...postingAndVariants },
    { name: '0003-cutting-and-offcuts', ...cuttingAndOffcuts },
    { name: '0004-documents-and-edits', ...documentsAndEdits },
  ],
  context: sequelize.getQueryInterface(),
  storage: new SequelizeStorage({ sequelize }),
  logger: undefined,
})
