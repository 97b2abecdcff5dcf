import { LIMITS } from '../../job/limits.ts';
import { MECHANISM_IDS, type PopUp, type PopUpPlace } from '../../job/popUps.ts';
import { WINDOW_SHAPES } from '../../job/windowShapes.ts';
import {
  filled,
  id,
  length,
  lengthOrNull,
  number,
  object,
  oneOf,
  orNull,
  required,
  spare,
  whole,
  words,
} from './rules.ts';

const { popUp: LIMIT } = LIMITS.size;

const place = object<PopUpPlace>({
  layerId: required(orNull(id)),
  at: required(filled(LIMIT.placeLetters)),
});

/** What moves as the card opens; each mechanism takes what is its own. */
export const popUp = object<Partial<PopUp>>({
  mechanism: spare(oneOf(...MECHANISM_IDS)),
  on: spare(place),
  alongMm: spare(length(LIMIT.alongMm)),
  widthMm: spare(length(LIMIT.widthMm)),
  depthMm: spare(length(LIMIT.depthMm)),
  otherDepthMm: spare(length(LIMIT.depthMm)),
  heightMm: spare(length(LIMIT.heightMm)),
  pastMm: spare(length(LIMIT.pastMm)),
  tabMm: spare(length(LIMIT.tabMm)),
  tabs: spare(oneOf('hidden', 'showing')),
  glueDeg: spare(number(LIMIT.glueDeg)),
  otherGlueDeg: spare(number(LIMIT.glueDeg)),
  pieceDeg: spare(number(LIMIT.pieceDeg)),
  glueMm: spare(length(LIMIT.glueMm)),
  lean: spare(oneOf('fro', 'to')),
  shape: spare(oneOf(...WINDOW_SHAPES)),
  path: spare(words(LIMITS.size.pathLetters)),
  pathIn: spare(oneOf('itsBox', 'picture')),
  rimMm: spare(length(LIMIT.rimMm)),
  pleats: spare(whole(LIMIT.pleats)),
  pleatMm: spare(length(LIMIT.pleatMm)),
  fan: spare(oneOf('half', 'quarter')),
  to: spare(place),
  riseMm: spare(length(LIMIT.riseMm)),
  otherRiseMm: spare(length(LIMIT.riseMm)),
  longMm: spare(lengthOrNull(LIMIT.longMm)),
  liftDeg: spare(number(LIMIT.liftDeg)),
  windowWideMm: spare(length(LIMIT.windowWideMm)),
  windowHighMm: spare(length(LIMIT.windowHighMm)),
  seenFrom: spare(oneOf('outside', 'inside')),
  atDeg: spare(number(LIMIT.atDeg)),
  pulls: spare(oneOf('fore', 'head', 'foot')),
});
