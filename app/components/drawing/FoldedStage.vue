<script setup lang="ts">
import type { PaperLook } from '../../utils/paper-look'
import type { Chosen } from '../card/chosen'
import { isChosen } from '../card/chosen'
import type { Group, Material, Mesh, PerspectiveCamera, Scene, Texture, WebGLRenderer } from 'three'
import type { Construction, Part, View } from '../../../core/folds'
import { boxOf, isWhole, paintOrder, panelKey, panelOf, poseOf } from '../../../core/folds'
import { SCALE, geometryOf, halfDiagonal, textureOf } from './stage'

/** The folded card in space, seen from one side. Draws when something changed, never by itself. */
const {
  construction,
  opening,
  view,
  papers,
  looks,
  width,
  height,
  chosen,
  creases = false,
} = defineProps<{
  construction: Construction
  opening: number
  view: View
  /** Paper key for each part key. */
  papers: Record<string, string>
  looks: readonly PaperLook[]
  width: number
  height: number
  chosen?: Chosen
  /** Whether mountains and valleys are marked. */
  creases?: boolean
}>()
const emit = defineEmits<{ choose: [chosen: Chosen], unavailable: [] }>()

/** Creases stay this short of shut and layers this far apart, so that none hides in another. */
const APART = { slack: 1.2, layer: 300_000 }
const SEEN = 26

const canvas = useTemplateRef('canvas')
let three: typeof import('three')
let renderer: WebGLRenderer | undefined
let scene: Scene
let camera: PerspectiveCamera
let card: Group | undefined
let radius = 1
const meshes = new Map<string, Mesh>()
/** Materials live as long as the view: a new one would have the browser compile its program again. */
const materials = new Map<string, Material>()
let asked = 0

onMounted(async () => {
  three = await import('three')
  if (!canvas.value) return
  try {
    renderer = new three.WebGLRenderer({ canvas: canvas.value, antialias: true, alpha: true })
  }
  catch {
    return emit('unavailable')
  }
  renderer.debug.checkShaderErrors = false
  renderer.setPixelRatio(Math.min(2, window.devicePixelRatio))
  renderer.setSize(width, height, false)
  scene = new three.Scene()
  camera = new three.PerspectiveCamera(SEEN, width / height, 0.1, 200)
  scene.add(new three.AmbientLight(0xffffff, 1.9), camera)
  const lamp = new three.DirectionalLight(0xffffff, 1.7)
  lamp.position.set(-2, 3, 4)
  camera.add(lamp)
  build()
})
onBeforeUnmount(() => {
  cancelAnimationFrame(asked)
  clear()
  materials.forEach((material) => {
    if ('map' in material) (material.map as Texture | null)?.dispose()
    material.dispose()
  })
  renderer?.dispose()
})
watch(
  () => [construction, papers, looks, creases],
  () => build(),
)
watch(
  () => [width, height],
  () => {
    if (!renderer) return
    renderer.setSize(width, height, false)
    camera.aspect = width / height
    camera.updateProjectionMatrix()
    draw()
  },
)
watch(
  () => opening,
  () => place(),
)
watch(
  () => [view.turn, view.tilt, chosen],
  () => draw(),
)

function clear() {
  card?.traverse((object) => {
    if ('geometry' in object) (object as Mesh).geometry.dispose()
  })
  card?.removeFromParent()
  meshes.clear()
}

function build() {
  if (!renderer) return
  clear()
  card = new three.Group()
  for (const part of construction.parts.filter(isWhole)) {
    for (const panel of part.panels) {
      const mesh = new three.Mesh(geometryOf(three, part, panel), paperMaterial(part, false))
      mesh.matrixAutoUpdate = false
      mesh.userData.part = part
      mesh.userData.panel = panel.key
      mesh.add(
        new three.LineSegments(
          new three.EdgesGeometry(mesh.geometry),
          kept(
            'edges',
            () => new three.LineBasicMaterial({ color: 0x2a2622, transparent: true, opacity: 0.55, depthTest: false }),
          ),
        ),
      )
      meshes.set(panelKey(panel), mesh)
      card.add(mesh)
    }
    if (creases) markCreases(part)
  }
  scene.add(card)
  // As far away as the largest of its poses needs, so that it keeps its size while it opens.
  radius = Math.max(...[0, 0.25, 0.5, 0.75, 1].map(t => halfDiagonal(boxOf(construction, poseOf(construction, t)))))
  place()
}

/** Dashes for valleys, dots and dashes for mountains, on the panel before each crease. */
function markCreases(part: Part) {
  for (const { between, from, to, direction } of part.creases) {
    const panel = panelOf(part, between[0])
    const ends = [from, to].map(
      ({ x, y }) => new three.Vector3((x.value - panel.x.value) * SCALE, (y.value - panel.y.value) * SCALE, 0),
    )
    const line = new three.Line(
      new three.BufferGeometry().setFromPoints(ends),
      kept(
        direction,
        () =>
          new three.LineDashedMaterial({
            color: direction === 'mountain' ? 0xb3261e : 0x1d4ed8,
            dashSize: direction === 'mountain' ? 0.22 : 0.12,
            gapSize: direction === 'mountain' ? 0.06 : 0.1,
            depthTest: false,
            transparent: true,
          }),
      ),
    )
    line.computeLineDistances()
    meshes.get(panelKey(panel))?.add(line)
  }
}

function kept(name: string, make: () => Material): Material {
  const known = materials.get(name) ?? make()
  materials.set(name, known)
  return known
}

/** The paper of a part, glowing where the part is chosen. */
function paperMaterial({ key, printTop }: Part, glowing: boolean): Material {
  const paper = looks.find(look => look.key === papers[key])
  return kept(
    `${paper ? `${paper.key} ${paper.colour} ${paper.motif} ${printTop}` : 'plain'} ${glowing}`,
    () =>
      new three.MeshLambertMaterial({
        map: paper ? textureOf(three, paper, printTop) : null,
        side: three.DoubleSide,
        // What lies in front is known from the model, also of sheets that lie in one plane; the order of painting says
        // it.
        transparent: true,
        depthTest: false,
        depthWrite: false,
        emissive: glowing ? 0x402000 : 0x000000,
      }),
  )
}

function place() {
  if (!renderer) return
  const pose = poseOf(construction, opening, APART)
  const { least, most } = boxOf(construction, pose)
  const middle = (axis: 0 | 1 | 2) => ((least[axis] + most[axis]) / 2) * SCALE
  card?.position.set(-middle(0), -middle(1), -middle(2))
  for (const [key, mesh] of meshes) {
    const frame = pose.get(key)
    mesh.visible = frame !== undefined
    if (!frame) continue
    const { origin, x, y, normal } = frame
    mesh.matrix.set(
      x[0],
      y[0],
      normal[0],
      origin[0] * SCALE,
      x[1],
      y[1],
      normal[1],
      origin[1] * SCALE,
      x[2],
      y[2],
      normal[2],
      origin[2] * SCALE,
      0,
      0,
      0,
      1,
    )
  }
  draw()
}

function draw() {
  if (!renderer || asked) return
  asked = requestAnimationFrame(() => {
    asked = 0
    const [turn, tilt] = [(view.turn * Math.PI) / 180, (view.tilt * Math.PI) / 180]
    const distance = (radius / Math.sin(((SEEN / 2) * Math.PI) / 180)) * 0.97
    camera.position.set(
      -Math.sin(turn) * Math.cos(tilt) * distance,
      Math.sin(tilt) * distance,
      Math.cos(turn) * Math.cos(tilt) * distance,
    )
    camera.lookAt(0, 0, 0)
    paintOrder(construction, opening, view).forEach((key, place) => {
      const mesh = meshes.get(key)
      if (!mesh) return
      mesh.renderOrder = place
      mesh.children.forEach(lines => (lines.renderOrder = place + 0.5))
    })
    for (const mesh of meshes.values()) {
      const { part, panel } = mesh.userData
      mesh.material = paperMaterial(part, isChosen(chosen, part.key, panel))
    }
    renderer?.render(scene, camera)
  })
}

function pick(event: MouseEvent) {
  if (!renderer || !canvas.value) return
  const { left, top, width: wide, height: high } = canvas.value.getBoundingClientRect()
  const ray = new three.Raycaster()
  ray.setFromCamera(
    new three.Vector2(((event.clientX - left) / wide) * 2 - 1, 1 - ((event.clientY - top) / high) * 2), camera,
  )
  const [hit] = ray.intersectObjects([...meshes.values()].filter(({ visible }) => visible), false)
    .sort((a, b) => b.object.renderOrder - a.object.renderOrder)
  if (hit) emit('choose', { part: hit.object.userData.part.key, panels: [hit.object.userData.panel] })
}
</script>

<template>
  <canvas ref="canvas" :width :height role="img" aria-label="Folded card" @click="pick" />
</template>

<style scoped>
canvas { display: block; width: 100%; max-width: 100%; }
</style>
