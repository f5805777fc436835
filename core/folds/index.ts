export * from './catalogue'
export * from './facts'
export type {
  Construction,
  Crease,
  Extra,
  Face,
  Finding,
  Fix,
  Joint,
  Means,
  MessageArea,
  Panel,
  Part,
  PartKind,
  Place,
  Point,
  Severity,
  Slit,
  Step,
  Stuck, Travel, Window, PartWork,
} from './model/card'
export { creaseAt, face, isLayer, isMakers, isWhole, panelOf } from './model/card'
export { holesOf, outlineOf, windowOutline } from './model/outlines'
export { insetOn } from './model/inset'
export { AS_DRAWN } from './model/sides'
export type { HeldSide, OwnSide, SideWords } from './model/sides'
export { faceWords, layerWords, partWords, putOnWords, turnedWords } from './model/layer-words'
export { SKILLS } from './model/fold'
export type { Fold, FoldGroup, Skill, WorkedOut } from './model/fold'
export type { Parameter, TextParameter } from './model/parameters'
export { defaultInputs, followed, inputProblem, inputProblems, isUsed, resizedInputs } from './model/parameters'
export type { DropOut, Piece, Score } from './model/pieces'
export { blanksOf, drawnBlanksOf, dropOutsOf, halvedSide, mainCrease, scoringOrder, usualPaper } from './model/pieces'
export { cutLines, scoreLines, scoreList } from './model/reading'
export { GROUPS } from './model/fold'
export type { DrawnSide } from './motion/drawn-side'
export { drawnSides } from './motion/drawn-side'
export { drawFolded, paintOrder } from './motion/drawing'
export type { DrawnPanel, View } from './motion/drawing'
export { TRIED_OPENINGS, collisionsAt, passesThrough } from './motion/collision'
export type { Collision } from './motion/collision'
export { areaOf, inside, thicknessAtEdges, thicknessMap } from './motion/thickness'
export type { Stack, ThicknessMap } from './motion/thickness'
export type { Box, Pose } from './motion/pose'
export {
  boxOf, cornersOf, glueOutline, jointFrame, panelKey, placed, pointsInJoint, poseOf, seenFrom, sizeAt,
} from './motion/pose'
export type { CardPicture } from './motion/picture'
export { PICTURE, fitting, pictureOf } from './motion/picture'
export { cross, dot, scale } from './motion/frame'
export type { Frame, Vector } from './motion/frame'
export { foamSpacing } from './model/rules'
export { assembliesAt, cardAfter, jointsAt, stagesOf } from './motion/assembly'
export type { Assembly, Stage } from './motion/assembly'
