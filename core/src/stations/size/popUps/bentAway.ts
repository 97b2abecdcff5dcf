import type { PaperSide, Panel } from '../../../ground/fold/types.ts';
import { compose, invert } from '../../../ground/geometry/affine.ts';
import { boxAround } from '../../../ground/geometry/box.ts';
import type { Polygon } from '../../../ground/geometry/polygon.ts';
import type { Shape } from '../../../ground/scene/types.ts';
import { PAGES } from '../../../ground/linkage/types.ts';
import { inCard, isCutIn, leftOf, type CutPart } from './cutIns.ts';
import type { PopUpPlan } from './popUpPlan.ts';
import type { PopUpPart } from './types.ts';

type CutPlan = Pick<PopUpPlan, 'cutIns' | 'spread'>;
type Sides = Readonly<Record<PaperSide, readonly Shape[]>>;

const asPanel = (panel: Panel, pieces: readonly Polygon[]): readonly Panel[] =>
  pieces.map((outline) => ({ ...panel, outline, box: boxAround(outline) }));

/** A panel of the card without what is cut from it; most often in one piece. */
export function pageLeft({ spread, cutIns }: CutPlan, panel: Panel): readonly Panel[] {
  const isPage = PAGES.some((page) => spread.panelIds[page] === panel.id);
  if (!isPage || cutIns.length === 0) return [panel];
  const regions = cutIns.map(({ region }) => region);
  return asPanel(panel, leftOf(panel.outline, invert(spread.toBlank), regions));
}

/** A panel of a part without what is cut from that in turn. */
export function partLeft({ cutIns }: Pick<CutPlan, 'cutIns'>, part: PopUpPart, panel: Panel): readonly Panel[] {
  if (!isCutIn(part)) return [panel];
  const later = cutIns.slice(cutIns.findIndex(({ partId }) => partId === part.id) + 1);
  if (later.length === 0) return [panel];
  return asPanel(
    panel,
    leftOf(
      panel.outline,
      inCard(part),
      later.map(({ region }) => region),
    ),
  );
}

/** What the card shows on a part that is cut from it: its inside where the part is seen, its outside behind. */
export function artOfCutIn({ spread }: Pick<PopUpPlan, 'spread'>, part: CutPart, card: Sides): Sides {
  const transform = compose(invert(inCard(part)), invert(spread.toBlank));
  const own = (children: readonly Shape[]): readonly Shape[] =>
    children.length === 0 ? [] : [{ kind: 'group', transform, children }];
  return { outside: own(card.inside), inside: own(card.outside) };
}
