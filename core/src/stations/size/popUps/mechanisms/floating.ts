import { compose, translation } from '../../../../ground/geometry/affine.ts';
import { corners } from '../../../../ground/geometry/box.ts';
import type { Mm } from '../../../../ground/length/types.ts';
import { strip } from '../../formats/parts/strip.ts';
import { along, depth, height, past, tab, width } from '../parts/inputs.ts';
import { at, flatPart, layLine } from '../parts/flatPart.ts';
import { tapered } from '../parts/parallelFold.ts';
import type { Mechanism, PopUpPart } from '../types.ts';

/** What carries a layer is a little narrower, so that it does not show. */
const INSET_MM = 2;

/**
 * A creased layer over the fold, held up in its middle by a wall on the fold and at its sides by two legs: with the pages
 * two parallelograms of sides `depth` and `height`. Shut, it reaches depth + height (and what it goes past) from the fold.
 */
export const floating: Mechanism = {
  id: 'floating',
  name: 'Floating layer',
  says: 'A layer that lifts off both pages on legs and keeps parallel to them.',
  mark: 'M4 20H36M6 12H34M10 12V20M20 12V20M30 12V20',
  sits: 'gutter',
  inputs: [
    ...[along(), width(), depth('Fold to its legs'), height('Height of legs')],
    ...[past('Past its legs by'), tab],
  ],
  // eslint-disable-next-line max-lines-per-function -- four pieces that are only told together
  make: ({ alongMm, widthMm, depthMm, heightMm, pastMm, tabMm }, { layerId, gutter: maybe }) => {
    if (depthMm < 2 * tabMm)
      return {
        ok: false,
        title: 'The legs stand on the glue of the middle wall',
        why: 'Between the fold and a leg there is not room for two glue tabs.',
        mends: [{ label: (far) => `Set the legs ${far(2 * tabMm + 2)} out`, part: { depthMm: 2 * tabMm + 2 } }],
      };
    const gutter = maybe!;
    const half = depthMm + pastMm;
    if (half < depthMm - tabMm / 2)
      return {
        ok: false,
        title: 'The layer ends before its legs',
        why: 'It goes past its legs by less than nothing.',
        mends: [{ label: 'Let it end at its legs', part: { pastMm: 0 } }],
      };
    const inset: Mm = Math.min(INSET_MM, widthMm / 8);
    const narrow = widthMm - 2 * inset;
    const id = (n: number): string => `${layerId}-${n}`;
    const down = at(0, 1);
    const up = at(0, -1);
    const upright = (foot: 'valley' | 'mountain', head: 'valley' | 'mountain') =>
      strip(
        [
          { id: 'tabFoot', name: 'Foot tab', widthMm: tabMm },
          { id: 'leg', name: 'Leg', widthMm: heightMm },
          { id: 'tabHead', name: 'Head tab', widthMm: tabMm },
        ],
        [
          { id: 'foot', direction: foot },
          { id: 'head', direction: head },
        ],
        narrow,
        { outline: tapered(heightMm + 2 * tabMm, narrow, tabMm) },
      );
    const none = { carries: 'nothing' as const, tabs: ['tabFoot', 'tabHead'], showing: [] };
    const head = tabMm + heightMm;
    const wall: PopUpPart = {
      ...{ id: id(1), name: 'Middle wall', blank: upright('valley', 'valley'), ...none },
      joints: [
        {
          ...{ id: `${id(1)}-a`, panelId: 'tabFoot', on: gutter.a.body },
          onto: compose(
            gutter.a.toBody,
            layLine({ from: at(tabMm, 0), along: down }, { to: at(0, alongMm + inset), onto: down }, false),
          ),
        },
      ],
      shut: { foot: 180, head: 0 },
      flat: { foot: 90, head: 90 },
    };
    const sheet = flatPart(
      corners({ xMm: 0, yMm: 0, widthMm: 2 * half, heightMm: widthMm }),
      [
        { id: 'left', name: 'Left half', outline: corners({ xMm: 0, yMm: 0, widthMm: half, heightMm: widthMm }) },
        { id: 'right', name: 'Right half', outline: corners({ xMm: half, yMm: 0, widthMm: half, heightMm: widthMm }) },
      ],
      [{ id: 'middle', from: at(half, 0), to: at(half, widthMm), direction: 'valley', joins: ['left', 'right'] }],
    );
    const layer: PopUpPart = {
      ...{ id: id(2), name: 'Layer', blank: sheet.blank, tabs: [], showing: [], carries: 'asRead' },
      joints: [
        {
          ...{ id: `${id(2)}-wall`, panelId: 'left', on: { partId: id(1), panelId: 'tabHead' }, under: true },
          onto: layLine({ from: at(half, inset), along: down }, { to: at(head, 0), onto: down }, true),
        },
      ],
      shut: { middle: 180 },
      flat: { middle: 0 },
    };
    const leg = (n: 3 | 4): PopUpPart => {
      const [side, way, start] =
        n === 3 ? ([gutter.a, down, inset] as const) : ([gutter.b, up, inset + narrow] as const);
      const out = n === 3 ? -depthMm : depthMm;
      return {
        ...{ id: id(n), name: n === 3 ? 'First leg' : 'Second leg', blank: upright('mountain', 'mountain'), ...none },
        joints: [
          {
            ...{ id: `${id(n)}-page`, panelId: 'tabFoot', on: side.body },
            onto: compose(
              side.toBody,
              layLine({ from: at(tabMm, 0), along: down }, { to: at(out, alongMm + start), onto: way }, true),
            ),
          },
          {
            ...{ id: `${id(n)}-layer`, panelId: 'tabHead', under: true },
            on: { partId: id(2), panelId: n === 3 ? 'left' : 'right' },
            onto: layLine({ from: at(head, 0), along: down }, { to: at(half + out, start), onto: way }, false),
          },
        ],
        shut: { foot: 0, head: 180 },
        flat: { foot: 90, head: 90 },
      };
    };
    const side = (panelId: 'left' | 'right') => ({
      body: { partId: id(2), panelId },
      toBody: translation(half, -alongMm),
    });
    const seat = (panelId: 'left' | 'right', xMm: Mm) => ({
      ...{ body: { partId: id(2), panelId }, foot: at(xMm, widthMm), up },
      name: panelId === 'left' ? 'Left half' : 'Right half',
    });
    return {
      ok: true,
      made: {
        parts: [wall, layer, leg(3), leg(4)],
        alike: [
          [
            { partId: id(3), creaseId: 'foot' },
            { partId: id(4), creaseId: 'foot' },
          ],
        ],
        gutters: { middle: { a: side('left'), b: side('right'), name: 'middle crease' } },
        seats: { left: seat('left', half / 2), right: seat('right', (half * 3) / 2) },
      },
    };
  },
};
