export type { CardFace } from './faces'
export { faceAt, faceKey, faceSeen, facesOf, frontFace, layersOn } from './faces'
export { dress, dressedCard, fixedFindings, wholeCard } from './dress'
export {
  NOTHING, addFreePiece, copyDressing, dressAsInCatalogue, dressFaceAs, dressingOf, moveFreePiece, newLayer, putRight,
  removeFreePiece, resizeDressing, setLayerWorks, setOwnPart,
} from './edit'
export type { ForEnvelope } from './envelope'
export {
  addForEnvelope, envelopePieceFindings, forEnvelope, envelopeWorks, isEnvelopeStamped, stampEnvelope,
} from './envelope'
export { sideWords } from './held'
export { wayUp } from './way-up'
export { newWork } from './works'
export { isGluedAll } from './parts'
export { freePartKey, isBought, isFreePart } from './free'
export type { Repairable } from './repair'
export { applyFix, fixWords } from './repair'
export type { SeenFace } from './seen'
export { areaOfAll, maskedFaces, neverSeen, seenFaces } from './seen'
export { faceToFace, sideBySide } from './touching'
export type { ClearWindow } from './windows'
export { windowsClear } from './windows'
export { lyingFindings } from './lying'
export { ownParts } from './own-parts'
export { layerKey } from './layers'
export { pathPoints } from './outlines'
export { addStep, dropStep, entryOf, neighbourFor, setStep } from './own-steps'
