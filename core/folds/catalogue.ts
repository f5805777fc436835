import { backGateStand } from './designs/back-gate-stand'
import { bandedFlap } from './designs/banded-flap'
import { bridge } from './designs/bridge'
import { crossingFlaps } from './designs/crossing-flaps'
import { doubleZFold } from './designs/double-z-fold'
import { easel } from './designs/easel'
import { gatefold } from './designs/gatefold'
import { zFold } from './designs/z-fold'
import type { Fold } from './model/fold'

/** Every fold Wakaru knows, by number in the catalogue. */
export const FOLDS: readonly Fold[] = [zFold, doubleZFold, crossingFlaps, bridge, backGateStand, bandedFlap, gatefold, easel]

export const foldById = (id: string): Fold | undefined => FOLDS.find(fold => fold.id === id)
