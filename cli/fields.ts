import type { Field } from '../core/document'
import { FIELDS, NAMES } from '../core/document'

/** What a field may hold, in words. */
function holds(field: Field): string {
  switch (field.kind) {
    case 'length':
      return field.zero ? 'a length, or nothing' : 'a length'
    case 'number':
      return `${field.of}, ${field.least} to ${field.most}`
    case 'whole':
      return `a whole number, ${field.least} to ${field.most}`
    case 'limit':
      return `a whole number up to ${field.most}, or \`null\` for any`
    case 'money':
      return `cents, up to ${field.most}`
    case 'choice':
      return field.of.map(value => `\`${value}\``).join(', ')
    case 'currency':
      return 'a code of three capital letters'
    case 'yes or no':
      return '`true` or `false`'
  }
}

const naturalIn = ({ natural }: Field): string => (typeof natural === 'object' && natural !== null
  ? `\`${natural.inch}\`; metric \`${natural.metric}\``
  : `\`${natural}\``)

/** The page about the fields of a batch file that stand in tables, as Markdown. */
export function fieldsPage(): string {
  const rows = Object.entries(FIELDS).flatMap(([place, { table }]) => Object.entries<Field>(table).map(([key, field]) =>
    `| \`${place}.${key}\` | ${[field.name, field.help].filter(Boolean).join(', ')} | ${holds(field)} | ${naturalIn(field)} |`,
  ),
  )
  const names = Object.entries(NAMES).filter(([key]) => /^\w+$/.test(key))
  return [
    '# Fields of a batch file',
    '',
    'Written by `npm run -s wakaru -- fields` from the tables that forms, checks and new classes are made from. The rest of the file is',
    'told in [the batch file](batch-file.md).',
    '',
    '| field | what it is | holds | to begin with |',
    '|---|---|---|---|',
    ...rows,
    '',
    'All other properties have one name wherever they stand:',
    '',
    `${names.map(([key, name]) => `\`${key}\` ${name}`).join(', ')}.`,
    '',
  ].join('\n')
}
