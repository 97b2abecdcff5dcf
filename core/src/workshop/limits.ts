import { from } from '../ground/limits.ts';

/**
 * How far the facts of a workshop may go at all: what the schema lets through and what fields let be typed. Lengths in
 * mm unless the name says otherwise.
 */
export const WORKSHOP_LIMITS = {
  nameLetters: 80,
  minor: from(0, 100_000_00),
  /** Minutes of any one thing done. */
  paceMinutes: from(0, 600),
  times: { minutes: from(0, 1440), fromMinute: from(0, 1439), exceptions: 400, hands: from(1, 6), racks: from(1, 40) },
  onShelf: from(0, 1_000_000),
  gsm: from(30, 1200),
  caliperMicron: from(30, 3000),
  /** Either side of a sheet. */
  sheetMm: from(40, 2000),
  keepOffcutMm: from(0, 2000),
  /** Readings of a stock. */
  measuring: {
    readings: 60,
    sheets: from(1, 1000),
    stackMm: from(0.03, 500),
    grams: from(0.1, 50_000),
    sideMm: from(5, 2000),
    overhangMm: from(5, 2000),
    passes: from(0, 12),
    /** Nought for a bare fold. */
    tipMm: from(0, 6),
  },
  /** Inside of an envelope, either way. */
  insideMm: from(20, 1000),
  readyFrontMm: from(10, 1000),
  post: { bands: 40, grams: from(1, 50_000), sideMm: from(20, 3000), thickMm: from(0.5, 1000) },
  /** Sheets in what is bought at once: a pack, a ream. */
  packSheets: from(1, 10_000),
  otherPacks: 6,
  path: {
    narrowestMm: from(10, 1000),
    shortestMm: from(10, 2000),
    widestMm: from(40, 2000),
    longestMm: from(40, 4000),
    marginMm: from(0, 100),
    enlargesBy: from(0, 0.15),
  },
  /** Inks together in one place, 1 for one laid solid. */
  inkLimit: from(0.5, 4),
  trimmer: {
    longestCutMm: from(50, 3000),
    thickestStackMm: from(0.1, 50),
    leastFenceMm: from(0, 300),
    repeatabilityMm: from(0, 10),
  },
  machine: {
    marginMm: from(0, 100),
    widestMm: from(50, 3000),
    speedMmPerS: from(1, 5000),
    passes: from(1, 12),
    /** In whatever units the machine counts it. */
    force: from(0, 10_000),
  },
  tool: {
    widestMm: from(50, 2000),
    thickestMm: from(0.05, 50),
    holeMm: from(0.5, 60),
    holes: 20,
    reachMm: from(1, 500),
  },
  trimming: {
    sideMm: from(1, 400),
    thickMm: from(0, 60),
    grams: from(0, 1000),
    pieces: from(1, 10_000),
  },
  adhesive: {
    widthMm: from(0.5, 100),
    thickMm: from(0, 20),
    bearsGramsPerCm2: from(1, 10_000),
    openMinutes: from(0, 600),
    dryMinutes: from(0, 10_000),
    offEdgeMm: from(0, 30),
    /** Grams, metres or pieces. */
    holds: from(1, 100_000),
  },
  board: { grooveEveryMm: from(0.5, 50), longestMm: from(50, 2000) },
  calibration: {
    perPath: 200,
    laidBackLetters: 300,
    ruleMm: from(10, 400),
    missMm: from(-100, 100),
    edgeMm: from(0, 2000),
  },
} as const;
