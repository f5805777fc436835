export const NATURAL = {
  kits: null,
  parameters: {},
  papers: {},
  colourways: [],
  insteadOf: '',
  bags: [],
  envelope: '',
  faces: [],
  free: [],
  parts: [],
}
