import { Type } from 'class-transformer'
import { IsIn, IsInt, Matches, MaxLength, ValidateNested } from 'class-validator'
import { BOUNDS } from '../../core/batch'
import type { ParameterInputs } from '../../core/folds'
import { ClassDocumentShape, IsCalendarDay, IsOne, IsParameterInputs, PaperShape } from '../../core/formats'
import type { Units } from '../../core/lengths'

/** A class on its way to be saved, with the revision the sender started from. */
export class SavedClassShape {
  @IsInt({ message: 'is the revision that was read' })
  revision!: number

  @ValidateNested() @Type(() => ClassDocumentShape) @IsOne('the class as a whole')
  document!: ClassDocumentShape
}

/** A paper on its way to be saved, with the revision the sender started from. */
export class SavedPaperShape {
  @IsInt({ message: 'is the revision that was read' })
  revision!: number

  @ValidateNested() @Type(() => PaperShape) @IsOne('the paper as a whole')
  paper!: PaperShape
}

/** What a copy of a class is to be called, and its day. */
export class NewCopyShape {
  @Matches(/\S/, { message: 'cannot be empty' }) @MaxLength(BOUNDS.title, { message: `is a text of at most ${BOUNDS.title} characters` })
  title!: string

  @IsCalendarDay()
  date!: string
}

/** A variant of a fold on its way to be kept. */
export class VariantShape {
  @Matches(/\S/, { message: 'cannot be empty' }) @MaxLength(BOUNDS.title, { message: `is a text of at most ${BOUNDS.title} characters` })
  name!: string

  @Matches(/^[a-z0-9-]{1,80}$/, { message: 'is the identifier of a fold' })
  fold!: string

  @IsIn(['inch', 'metric'], { message: 'is one of: inch, metric' })
  units!: Units

  @IsParameterInputs()
  parameters!: ParameterInputs
}
