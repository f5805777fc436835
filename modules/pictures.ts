import { addTemplate, addTypeTemplate, defineNuxtModule } from 'nuxt/kit'
import { FOLDS, PICTURE, pictureOf } from '../core/folds'
import type { CardPicture } from '../core/folds'
import { MILLIMETRE } from '../core/lengths'
import type { Units } from '../core/lengths'

const UNITS: Units[] = ['inch', 'metric']

/** Every fold of the catalogue at its natural sizes as a small picture, by its id and units. */
const pictures = (): Record<string, CardPicture[]> => Object.fromEntries(UNITS.flatMap(units => FOLDS.map(fold =>
  [`${fold.id} ${units}`, pictureOf(fold.construct({}, units, MILLIMETRE), fold.view)])))

/**
 * Draws the folds while the application is built, as `#build/pictures.mjs`: lists show them without fetching what works
 * out cards.
 */
export default defineNuxtModule({
  meta: { name: 'pictures' },
  setup() {
    addTemplate({
      filename: 'pictures.mjs',
      write: true,
      getContents: () =>
        `export const size = ${JSON.stringify(PICTURE)}\nexport const pictures = ${JSON.stringify(pictures())}\n`,
    })
    addTypeTemplate({
      filename: 'types/pictures.d.ts',
      getContents: () => `declare module '#build/pictures.mjs' {
  export const size: { width: number, height: number }
  export const pictures: Record<string, { part: string, path: string, light: number }[]>
}
`,
    })
  },
})
