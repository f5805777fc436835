import { Type } from 'class-transformer'
import { IsInt, Matches, MaxLength, ValidateNested } from 'class-validator'
import { BOUNDS } from '../../core/batch'
import { ClassDocumentShape, IsCalendarDay, IsOne, PaperShape } from '../../core/formats'

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
