export type { CardFace } from './faces'
export { faceAt, faceKey, faceSeen, facesOf, frontFace, layersOn } from './faces'
export { dress, dressedCard, fixedFindings, wholeCard } from './dress'
export {
  NOTHING, addFreePiece, copyDressing, dressAsInCatalogue, dressFaceAs, dressingOf, moveFreePiece, newLayer, putRight,
  removeFreePiece, resizeDressing, setOwnPart,
} from './edit'
export type { SideWords } from './held'
export { AS_DRAWN, sideWords } from './held'
export { isGluedAll } from './parts'
export { freePartKey, isBought, isFreePart } from './free'
export type { Repairable } from './repair'
export { applyFix, fixWords } from './repair'
export type { ClearWindow, SeenFace } from './seen'
export { areaOfAll, faceToFace, maskedFaces, neverSeen, seenFaces, sideBySide, windowsClear } from './seen'
export { lyingFindings } from './lying'
export { ownParts } from './own-parts'
export { layerKey } from './layers'
export { pathPoints } from './outlines'
