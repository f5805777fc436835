import { IsIn, IsInt, Matches, Min } from 'class-validator'
import { BOUNDS, PAPER_KINDS } from '../../core/document'
import type { PaperKind, ParameterInputs, Patch } from '../../core/document'
import {
  IsCalendarDay, IsFilledText, IsListOf, IsOne, IsParameterInputs, IsPatch, IsText, IsWholeOrNull,
} from '../../core/document/open'
import { KEPT_ID } from '../../core/kept'
import type { Units } from '../../core/lengths'

/** Changes on their way to be saved. */
export class EditShape {
  /** The sender's own mark of it: sent again, it is recognised. */
  @Matches(/^[a-zA-Z0-9-]{8,64}$/, { message: 'is a mark of 8 to 64 letters, digits and hyphens' })
  token!: string

  @IsFilledText(200)
  label!: string

  /** The class that is changed; `null` where only papers are. */
  @IsWholeOrNull(999_999_999)
  class!: number | null

  /** Position of the last change that the sender knows of. */
  @Min(0, { message: 'is the position that was read' }) @IsInt({ message: 'is the position that was read' })
  since!: number

  @IsPatch({ each: true }) @IsListOf('changes', BOUNDS.patches)
  patches!: Patch[]
}

/** What a copy of a class is to be called, and its day. */
export class NewCopyShape {
  @IsFilledText(BOUNDS.title)
  title!: string

  @IsCalendarDay()
  date!: string
}

/** A variant of a fold on its way to be kept, or a free piece by itself, which has no fold. */
export class VariantShape {
  @IsFilledText(BOUNDS.title)
  name!: string

  @Matches(/^[a-z0-9-]{0,80}$/, { message: 'is the identifier of a fold, or empty for a piece' })
  fold!: string

  @IsIn(['inch', 'metric'], { message: 'is one of: inch, metric' })
  units!: Units

  @IsParameterInputs()
  parameters!: ParameterInputs

  /** What is put on it; checked by the document room. */
  @IsOne('faces and free')
  dressing: object = {}
}

/** Which stretch of a list is asked for. */
class ListShape {
  @IsText(BOUNDS.title)
  search = ''

  @Matches(/^\d{1,6}$/, { message: 'is a whole number from 0 to 999999' })
  offset = '0'

  @Matches(/^([1-9]\d?|100)$/, { message: 'is a whole number from 1 to 100' })
  limit = '50'
}

/** A stretch of the classes, told apart by a day. */
export class ClassListShape extends ListShape {
  @IsIn(['coming', 'past', 'all'], { message: 'is one of: coming, past, all' })
  when: 'coming' | 'past' | 'all' = 'all'

  @IsCalendarDay()
  today = '2000-01-01'
}

/** A stretch of the shelf. */
export class PaperListShape extends ListShape {
  @IsIn([...PAPER_KINDS, 'all'], { message: `is one of: ${PAPER_KINDS.join(', ')}, all` })
  kind: PaperKind | 'all' = 'all'
}

/** On which day somebody looks at what is taken from the shelf. */
export class ReservedShape {
  @IsCalendarDay()
  today!: string
}

/** What is kept that somebody asks for. */
export class KeptShape {
  @Matches(new RegExp(`^${KEPT_ID}(,${KEPT_ID}){0,39}$`), {
    message: 'is a list of up to 40 identifiers, parted by commas',
  })
  @IsText(40 * 44)
  ids!: string
}

/** What somebody works on, and what that page is called. */
export class BegunShape {
  @Matches(new RegExp(`^${KEPT_ID}$`), {
    each: true, message: 'are identifiers of 43 letters, digits, hyphens and underscores',
  })
  @IsListOf('identifiers', 400, 'text')
  ids!: string[]

  @Matches(/^[\w-]{8,60}$/, { message: 'is a word of 8 to 60 letters, digits and hyphens' })
  @IsText(60)
  by!: string
}

/** Papers that a class is to be handed besides those that it names. */
export class WithPapersShape {
  @Matches(/^[a-z0-9,-]*$/, { message: 'is a list of keys of papers, parted by commas' })
  @IsText(4000)
  with = ''
}

/** The position of the last change that a window knows of. */
export class SinceShape {
  @Matches(/^\d{1,15}$/, { message: 'is the position that was read' })
  since!: string
}
