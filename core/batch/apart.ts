import type { FaceRule } from '../document'
import { FACE_RULES } from '../document'
import { faceToFace, sideBySide } from '../dressing'
import type { Construction, Piece } from '../folds'
import type { Apart } from '../sharing'

type Faces = { key: string }
type IsAsked = (one: Faces, other: Faces) => boolean

/** Which two faces of a card each rule is about. */
const PAIRS: Record<FaceRule, (card: Construction, isAsked: IsAsked) => [Faces, Faces][]> = {
  touching: faceToFace,
  neighbours: sideBySide,
}

const known = new WeakMap<object, Map<string, Apart[]>>()

/**
 * Which roles of a card should be of different prints, by the rules about two faces. Worked out once for a card and its
 * roles.
 * @param roles the pieces that are of one print, role by role
 */
export function apartIn(construction: Omit<Construction, 'findings'>, roles: { parts: Piece[] }[]): Apart[] {
  const name = roles.map(({ parts }) => parts.map(({ key }) => key).join('+')).join()
  const own = known.get(construction) ?? new Map<string, Apart[]>()
  known.set(construction, own)
  const before = own.get(name)
  if (before) return before
  const roleOf = new Map(roles.flatMap(({ parts }, role) => parts.map(({ key }) => [key, role] as const)))
  const isAsked: IsAsked = (one, other) =>
    roleOf.has(one.key) && roleOf.has(other.key) && roleOf.get(one.key) !== roleOf.get(other.key)
  const all = FACE_RULES.flatMap(rule =>
    PAIRS[rule]({ ...construction, findings: [] }, isAsked).map(([one, other]): Apart => {
      const [a, b] = [roleOf.get(one.key) ?? 0, roleOf.get(other.key) ?? 0]
      return { roles: [Math.min(a, b), Math.max(a, b)], rule }
    }))
  const apart = all.filter(({ roles: [a, b], rule }, at) =>
    all.findIndex(other => other.rule === rule && other.roles[0] === a && other.roles[1] === b) === at)
  own.set(name, apart)
  return apart
}
