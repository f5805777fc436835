/*
 * What version 2 took for what a card left out, by fold: in inches, in millimetres. Frozen. Since version 3 such sizes
 * follow the size of the card, and some choices have become other ones by nature.
 */
export const LEFT_OUT: Record<string, Record<string, readonly [inch: string, metric: string]>> = {
  'z-fold': {
    plateWidth: ['3 1/4 in', '80 mm'],
    plateHeight: ['3 1/2 in', '90 mm'],
  },
  'double-z-fold': {
    stripHeight: ['1 3/4 in', '45 mm'],
    messageHeight: ['1 1/2 in', '40 mm'],
  },
  'crossing-flaps': {
    flap: ['3 in', '72 mm'],
    leaf: ['3 in', '75 mm'],
    insertHeight: ['3 1/2 in', '90 mm'],
  },
  'bridge': {
    depth: ['1 1/8 in', '28 mm'],
    sceneHeight: ['1 1/2 in', '38 mm'],
    fenceHeight: ['3/4 in', '20 mm'],
  },
  'back-gate-stand': {
    gate: ['1 1/4 in', '30 mm'],
  },
  'banded-flap': {
    flap: ['3 in', '75 mm'],
    bandHeight: ['1 1/2 in', '40 mm'],
  },
  'gatefold': {
    bandHeight: ['1 1/2 in', '40 mm'],
  },
  'gatefold-shutter': {
    windowShape: ['circle', 'circle'],
    panelWidth: ['2 1/2 in', '62 mm'],
    tab: ['1/2 in', '12 mm'],
    shutter: ['3 in', '76 mm'],
    window: ['1 1/2 in', '38 mm'],
    windowAt: ['2 3/4 in', '74 mm'],
  },
  'split-front-pocket': {
    opening: ['2 in', '50 mm'],
    insertWidth: ['3 3/4 in', '95 mm'],
    insertHeight: ['5 in', '135 mm'],
    topperWidth: ['2 in', '50 mm'],
    topperHeight: ['2 in', '50 mm'],
    overhang: ['1/2 in', '12 mm'],
  },
  'own-strip': {
    scores: ['2 3/4 mountain 60, 5 1/2 valley 60', '74 mm mountain 60, 148 mm valley 60'],
    slitFrom: ['2 3/4 in', '74 mm'],
    slitTo: ['8 1/4 in', '223 mm'],
    rail: ['1 1/4 in', '32 mm'],
  },
  'step-popup': {
    depth: ['1 1/4 in', '32 mm'],
    stepWidth: ['3/4 in', '20 mm'],
    figure: ['2 1/4 in', '58 mm'],
    sideDepth: ['3/4 in', '18 mm'],
    sideWidth: ['1/2 in', '12 mm'],
    sideFigure: ['1 3/4 in', '45 mm'],
    gap: ['3/4 in', '20 mm'],
  },
  'book-stage': {
    end: ['1 1/4 in', '32 mm'],
    riser: ['3/4 in', '20 mm'],
    rail: ['3/4 in', '20 mm'],
    railFoot: ['2 1/2 in', '64 mm'],
    charmLength: ['1 in', '25 mm'],
  },
  'ledge-stand': {
    rail: ['1 1/4 in', '32 mm'],
    tab: ['1/2 in', '12 mm'],
  },
  'floating-window': {
    glue: ['5/8 in', '16 mm'],
    depth: ['1/2 in', '12 mm'],
    window: ['1 3/4 in', '45 mm'],
  },
  'pull-tab-flap': {
    faceWidth: ['4 in', '99 mm'],
    margin: ['1 in', '25 mm'],
    foot: ['1 3/4 in', '44 mm'],
    link: ['1 1/4 in', '32 mm'],
    joint: ['1/2 in', '12 mm'],
    tagWidth: ['3 in', '76 mm'],
    sleeve: ['1 1/2 in', '38 mm'],
  },
  'twin-slider': {
    track: ['2 1/4 in', '56 mm'],
    apart: ['1 in', '25 mm'],
    runnerWidth: ['2 in', '50 mm'],
    runnerHeight: ['3/4 in', '20 mm'],
    backWidth: ['3 1/2 in', '88 mm'],
    backHeight: ['4 3/4 in', '125 mm'],
    frontWidth: ['2 1/4 in', '56 mm'],
    frontHeight: ['3 1/2 in', '88 mm'],
    coverWidth: ['4 in', '99 mm'],
    coverHeight: ['4 1/2 in', '118 mm'],
  },
  'rising-scene': {
    stack: ['1', '1'],
    lift: ['1 in', '25 mm'],
    flap: ['3/4 in', '18 mm'],
    sliderWidth: ['2 3/4 in', '66 mm'],
    guideWidth: ['1/2 in', '12 mm'],
    guideHeight: ['1 1/2 in', '38 mm'],
    bar: ['2 1/2 in', '64 mm'],
    windowSize: ['1 3/4 in', '45 mm'],
    figure: ['2 1/2 in', '64 mm'],
  },
  'box-frame': {
    face: ['3/4 in', '20 mm'],
    depth: ['1/2 in', '12 mm'],
  },
  'easel': {
    stop: ['4 in', '100 mm'],
    stopperHeight: ['3/4 in', '20 mm'],
  },
  'side-seam-envelope': {
    flap: ['2 in', '50 mm'],
  },
  'gift-card-holder': {
    pocket: ['1 3/4 in', '45 mm'],
  },
}
