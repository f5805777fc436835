export const NATURAL = {
  kits: null,
  parameters: {},
  papers: {},
  colourways: [],
  insteadOf: '',
  bags: [],
  pictures: {},
  envelope: '',
  faces: [],
  free: [],
  parts: [],
}
