import { backGateStand } from './designs/back-gate-stand'
import { bandedFlap } from './designs/banded-flap'
import { bookStage } from './designs/book-stage'
import { boxEnvelope } from './designs/box-envelope'
import { boxFrame } from './designs/box-frame'
import { bridge } from './designs/bridge'
import { cornerStage } from './designs/corner-stage'
import { crossingFlaps } from './designs/crossing-flaps'
import { diagonalEnvelope } from './designs/diagonal-envelope'
import { doubleZFold } from './designs/double-z-fold'
import { easel } from './designs/easel'
import { floatingWindow } from './designs/floating-window'
import { gatefold } from './designs/gatefold'
import { gatefoldShutter } from './designs/gatefold-shutter'
import { giftCardHolder } from './designs/gift-card-holder'
import { ledgeStand } from './designs/ledge-stand'
import { ownStrip } from './designs/own-strip'
import { plainCard } from './designs/plain-card'
import { pullTabFlap } from './designs/pull-tab-flap'
import { risingScene } from './designs/rising-scene'
import { sideSeamEnvelope } from './designs/side-seam-envelope'
import { splitFrontPocket } from './designs/split-front-pocket'
import { squashFold } from './designs/squash-fold'
import { stepPopup } from './designs/step-popup'
import { twinSlider } from './designs/twin-slider'
import { zFold } from './designs/z-fold'
import type { Fold } from './model/fold'

/** Every fold Wakaru knows, by number in the catalogue. */
export const FOLDS: readonly Fold[] = [
  zFold,
  doubleZFold,
  crossingFlaps,
  bridge,
  backGateStand,
  bandedFlap,
  gatefold,
  gatefoldShutter,
  splitFrontPocket,
  ownStrip,
  stepPopup,
  bookStage,
  ledgeStand,
  floatingWindow,
  pullTabFlap,
  twinSlider,
  risingScene,
  boxFrame,
  cornerStage,
  easel,
  squashFold,
  plainCard, sideSeamEnvelope, diagonalEnvelope, boxEnvelope, giftCardHolder,
]

export const foldById = (id: string): Fold | undefined => FOLDS.find(fold => fold.id === id)
