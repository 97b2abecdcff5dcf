import { between, chordsAt, moved, transposed, type Polygon } from '../../../../ground/geometry/polygon.ts';
import type { Mm } from '../../../../ground/length/types.ts';
import { shapeOutline } from './shapes.ts';
import type { FormatOptions } from '../../../../job/format.ts';
import type { Finish } from '../types.ts';

/** A hinge should be at least this share of the shape’s extent, or the card swings and tears. Our starting value. */
export const LEAST_HINGE_SHARE = 1 / 3;
/** Sets the hinge a little past the least, so that a knife’s slip does not undo it. */
export const SOUND_HINGE_SHARE = 0.38;

/** A hinge set in further than this leaves less of a shape than a card wants. */
export const DEEPEST_SHARE = 0.45;

export interface Front {
  /** The front panel, its hinge on x = 0, filling width × height. */
  readonly outline: Polygon;
  readonly insetMm: Mm;
  readonly chords: readonly (readonly [Mm, Mm])[];
}

/** Long side along the hinge’s normal is x, whichever edge the hinge is on. */
export const along = ({ widthMm, heightMm }: Finish, { hinge }: FormatOptions): readonly [Mm, Mm] =>
  hinge === 'left' ? [widthMm, heightMm] : [heightMm, widthMm];

/** The shape grown by the inset, so that what is left of it past the hinge has the finished width. */
const grown = (w: Mm, h: Mm, { shape, path, hinge }: FormatOptions, insetMm: Mm): Polygon =>
  hinge === 'left' ? shapeOutline(shape, path, w + insetMm, h) : transposed(shapeOutline(shape, path, h, w + insetMm));

/** Just inside the paper, so that a straight side counts as a hinge along all its length. */
const HAIR_MM = 1e-4;
const chordsOf = (outline: Polygon, insetMm: Mm): Front['chords'] => chordsAt(outline, insetMm + HAIR_MM);

function frontAt(w: Mm, h: Mm, options: FormatOptions, insetMm: Mm): Front {
  const outline = grown(w, h, options, insetMm);
  return {
    outline: moved(between(outline, insetMm, w + insetMm), -insetMm, 0),
    insetMm,
    chords: chordsOf(outline, insetMm),
  };
}

const longest = (chords: Front['chords']): Mm => Math.max(0, ...chords.map(([a, b]) => b - a));
const isSound = (chords: Front['chords'], h: Mm): boolean =>
  chords.length === 1 && longest(chords) >= SOUND_HINGE_SHARE * h;

/** The least inset whose hinge is sound: bisected between none and the deepest; the deepest when none is. */
const workedOut = remembered((finish: Finish, options: FormatOptions): Front => {
  const [w, h] = along(finish, options);
  const soundAt = (insetMm: Mm): boolean => isSound(chordsOf(grown(w, h, options, insetMm), insetMm), h);
  if (soundAt(0)) return frontAt(w, h, options, 0);
  // Deep enough for most; a tall heart hinged on top has a notch that grows with its height, and wants more.
  const depths = [Math.min(w, h), w].map((extent) => extent * DEEPEST_SHARE);
  const deepest = depths.find(soundAt);
  let [low, high] = [0, deepest ?? depths[0]!];
  if (deepest !== undefined)
    for (let i = 0; i < 14; i += 1) {
      const middle = (low + high) / 2;
      if (soundAt(middle)) high = middle;
      else low = middle;
    }
  return frontAt(w, h, options, high);
});

/** Keeps the last few answers: one plan asks for the same hinge several times. */
function remembered(work: (finish: Finish, options: FormatOptions) => Front): typeof work {
  const KEPT = 8;
  const known = new Map<string, Front>();
  return ({ widthMm, heightMm }, options) => {
    const key = JSON.stringify([widthMm, heightMm, options.shape, options.path, options.hinge]);
    const found = known.get(key);
    if (found) return found;
    const made = work({ widthMm, heightMm }, options);
    if (known.size >= KEPT) known.delete(known.keys().next().value!);
    known.set(key, made);
    return made;
  };
}

/** As the maker set it, sound or not. */
function asked(finish: Finish, options: FormatOptions): Front {
  const [w, h] = along(finish, options);
  return options.hingeInsetMm === null ? workedOut(finish, options) : frontAt(w, h, options, options.hingeInsetMm);
}

/** A hinge in one piece that is long enough to fold at all; with less there is no card to draw. */
const LEAST_DRAWN_MM = 3;
const holds = ({ chords }: Front): boolean => chords.length === 1 && longest(chords) >= LEAST_DRAWN_MM;

/** What is drawn: as asked, else with the inset worked out, else an oval, so that there is always a card. */
export function drawn(finish: Finish, options: FormatOptions): Front {
  const first = asked(finish, options);
  if (holds(first)) return first;
  const second = workedOut(finish, options);
  return holds(second) ? second : workedOut(finish, { ...options, shape: 'oval' });
}

export interface HingeFacts {
  readonly hingeMm: Mm;
  readonly extentMm: Mm;
  readonly insetMm: Mm;
  /** No single stretch of paper runs along the hinge: none worth the name, or more than one. */
  readonly broken: boolean;
}

export function hingeFacts(finish: Finish, options: FormatOptions): HingeFacts {
  const front = asked(finish, options);
  return {
    hingeMm: longest(front.chords),
    extentMm: along(finish, options)[1],
    insetMm: front.insetMm,
    broken: !holds(front),
  };
}
