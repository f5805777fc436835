import { BackupError, checkBackup, restoreBackup, writeBackup } from './backup'
import { connect } from './connection'
import { defineModels } from './models'

/** Run by the scripts: `write FILE`, `check FILE` or `restore FILE`, with DATABASE_URL. */
async function keep(what: string, file: string): Promise<string> {
  const url = process.env.DATABASE_URL ?? ''
  if (what === 'write') return `${await writeBackup(url, file)} rows`
  const { made, rows } = await checkBackup(file)
  if (what === 'check') return `made ${made}, ${rows.classes ?? 0} classes and ${rows.papers ?? 0} papers`
  const sequelize = connect(url)
  defineModels(sequelize)
  try {
    const { classes, papers } = await restoreBackup(sequelize, file)
    return `${classes} classes and ${papers} papers, all of them read again`
  }
  finally {
    await sequelize.close()
  }
}

const [what = '', file = ''] = process.argv.slice(2)
keep(what, file).then(console.log, (error: Error) => {
  const more = 'code' in error && error.code === 'ENOENT' ? 'There is no such file.' : error.message.split('\n')[0]
  console.error(error instanceof BackupError ? error.message : `${file}: that did not work. ${more}`)
  process.exitCode = 1
})
