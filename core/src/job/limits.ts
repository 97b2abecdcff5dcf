import { from } from '../ground/limits.ts';

/**
 * How far each decision may go at all: what the schema lets through, what fields let be typed, and what sentences name.
 * What suits a card within them is for its station to say, with a remedy. Lengths in mm unless the name says otherwise.
 */
export const LIMITS = {
  brief: {
    titleLetters: 120,
    wanted: from(1, 100_000),
    /** Of an envelope’s inside, either way. */
    insideMm: from(20, 1000),
    notesLetters: 10_000,
  },
  size: {
    /** Width and height of the shut card. */
    finishedMm: from(30, 900),
    bleedMm: from(0, 20),
    bareEdgeMm: from(0, 60),
    safeMm: from(0, 100),
    /** Any length that a format asks for beside its size. */
    optionMm: from(0, 900),
    panels: from(2, 12),
    leanDeg: from(0, 80),
    holePairs: from(0, 6),
    walletPanels: from(2, 4),
    /** Of path data, for a shape of one’s own. */
    pathLetters: 100_000,
    layers: 20,
    facesOfLayer: 40,
    stocksOfLayer: from(1, 8),
    revealMm: from(0, 100),
    wrap: {
      widthMm: from(15, 400),
      heightMm: from(8, 400),
      holeMm: from(0, 20),
      cornerMm: from(0, 60),
      lapMm: from(5, 100),
      easeMm: from(0, 10),
    },
    /** Of what moves as the card opens. */
    popUp: {
      alongMm: from(-400, 900),
      widthMm: from(3, 600),
      depthMm: from(3, 400),
      heightMm: from(3, 400),
      pastMm: from(-300, 300),
      tabMm: from(3, 30),
      glueDeg: from(10, 170),
      pieceDeg: from(10, 150),
      glueMm: from(8, 300),
      pleats: from(4, 80),
      pleatMm: from(5, 60),
      riseMm: from(-200, 400),
      longMm: from(5, 800),
      liftDeg: from(5, 150),
      rimMm: from(0, 20),
      windowWideMm: from(5, 200),
      windowHighMm: from(5, 200),
      atDeg: from(-180, 180),
      placeLetters: 60,
    },
    rimMm: from(4, 80),
    contentGrams: from(0, 5000),
    foilLetters: 40,
  },
  art: {
    zoom: from(1, 20),
    across: 12,
    /** From the face’s edge, either way, so that a thing can lie off it. */
    placeMm: from(-1000, 1000),
    texts: 60,
    textLetters: 4000,
    textWidthMm: from(1, 1000),
    sizePt: from(1, 400),
    lineSpacing: from(0.5, 5),
    letterSpacingEm: from(-0.2, 2),
    /** Of a circle that a line runs round; below nought bent down. */
    arcMm: from(-5000, 5000),
    emphasisScale: from(0.2, 10),
    emphasisLines: 400,
    objects: 120,
    order: 400,
    objectWidthMm: from(0.5, 1000),
    objectHeightMm: from(0.1, 1000),
    ruleWeightPt: from(0.05, 40),
    /** Of a code of words or a link; no code holds more, whatever its size. */
    codeLetters: 900,
    borderMm: from(0.1, 60),
    borderInsetMm: from(0, 60),
    gradientDeg: from(-360, 360),
    tileMm: from(3, 300),
    pictureNameLetters: 200,
    typefaceNameLetters: 120,
    picturePx: 100_000,
    pageWidthMm: from(1, 6000),
  },
  /** What keeps a list within what a studio sends and a page can show. */
  names: { bytes: 4 * 1024 * 1024, unpackedBytes: 64 * 1024 * 1024, rows: 5000, columns: 40, cell: 300 },
  ribbon: {
    nameLetters: 60,
    widthMm: from(1, 100),
    loopMm: from(5, 300),
    tailMm: from(0, 500),
    rollMetres: from(0.5, 1000),
  },
  trimmings: { count: 60, turnDeg: from(-360, 360) },
  sheet: { cutDownMm: from(40, 2000), spares: from(0, 10_000) },
  envelope: {
    easeMm: from(0, 60),
    seamMm: from(8, 80),
    flapMm: from(10, 400),
    throatMm: from(0, 60),
    cornerMm: from(0, 40),
    /** Of a liner from the front’s edges; below nought it is larger. */
    linerInsetMm: from(-20, 60),
    /** What an address keeps away from the edges of the front. */
    clearMm: from(0, 300),
    /** From the front’s edge, and of the opening itself. */
    windowMm: from(0, 1000),
    windowSideMm: from(5, 1000),
  },
  /** A share of all folds. */
  crease: { cracksUpTo: from(0.01, 0.5) },
  make: { dryMinutes: from(0, 10_000) },
  sell: {
    extras: 40,
    extraLetters: 80,
    packOf: from(1, 1000),
    wantedMargin: from(0, 0.95),
  },
} as const;
