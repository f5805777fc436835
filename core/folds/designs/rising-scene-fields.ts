import { choice, length, size, toggle } from '../model/parameters'
import { OPENINGS, matBorder } from './choices'

/** What can be chosen of a rising scene: more than of any other fold. */
export const risingSceneFields = {
  width: size('Finished width', '4 1/4 in', '105 mm'),
  height: size('Finished height', '5 1/2 in', '148 mm'),
  lift: length('Crease below the fold', '1 in', '25 mm', {
    follows: 'height', help: 'The slider rises by twice this',
  }),
  flap: length('Flap of the slider', '3/4 in', '18 mm', { follows: 'height' }),
  sliderWidth: length('Slider width', '2 3/4 in', '66 mm', { follows: 'width' }),
  guideWidth: length('Guide width', '1/2 in', '12 mm', { follows: 'width' }),
  guideHeight: length('Guide height', '1 1/2 in', '38 mm', { follows: 'height' }),
  bar: length('Crossbar height', '2 1/2 in', '64 mm', { follows: 'height' }),
  barFoot: length('Crossbar above the foot', '0 in', '0 mm', { zero: true }),
  strips: toggle('A second, lower strip on the crossbar', true),
  stripHeight: length('Height of the second strip', '0 in', '0 mm', {
    zero: true, when: 'strips', help: 'Nothing: lower than the crossbar by half of “Crease below the fold”',
  }),
  stripFoot: length('Second strip above the foot', '0 in', '0 mm', { zero: true, when: 'strips' }),
  window: toggle('Window in the front', false),
  peek: toggle('Figures may look through the window', true),
  windowShape: choice('Shape of the window', OPENINGS, undefined, 'window'),
  windowSize: length('Window size', '1 3/4 in', '45 mm', {
    follows: ['width', 'height'], when: 'window', help: 'Its width',
  }),
  windowHeight: length('Window height', '1 3/4 in', '45 mm', {
    follows: 'height', when: ['window', 'windowShape=rectangle'],
  }),
  windowPlaced: toggle(
    'Window at a place of its own', false, 'Otherwise in the middle, its upper edge at the crease', 'window',
  ),
  windowLeft: length('Window from the left', '1 1/4 in', '30 mm', {
    follows: 'width', when: ['window', 'windowPlaced'], zero: true, help: 'Of the closed card, seen from its front',
  }),
  windowBelow: length('Window below the fold', '1 1/4 in', '30 mm', {
    follows: 'height', when: ['window', 'windowPlaced'], zero: true,
  }),
  figures: toggle('Figures on the slider', true, 'Otherwise the scene is drawn or stamped on the slider itself'),
  figure: length('Figure height', '2 1/2 in', '64 mm', {
    follows: 'height', when: 'figures', help: 'Their heads at the crease of the slider',
  }),
  stack: choice(
    'Pieces in each guide',
    ['3', '1', '2', '4', '5'].map(value => ({ value, label: value })),
    'A little thicker together than the slider with its figures',
  ),
  raised: toggle('Second strip on foam', true, undefined, 'strips'),
  stage: toggle('A stage strip before the crossbar', false, 'Lowest of all, flat on the foot of the crossbar'),
  stageHeight: length('Height of the stage strip', '0 in', '0 mm', {
    zero: true, when: 'stage', help: 'Nothing: half the crossbar, lower by half of “Crease below the fold”',
  }),
  stageFoot: length('Stage strip above the foot', '0 in', '0 mm', { zero: true, when: 'stage' }),
  curtains: toggle('Curtains at both sides', false, 'Flat on the guides, from the crossbar up'),
  border: matBorder,
}
