import { strip } from '../../formats/parts/strip.ts';
import { tab } from '../parts/inputs.ts';
import { placeOn } from '../parts/onSeat.ts';
import type { Mechanism } from '../types.ts';

/** As long as this it never goes taut, so that what it hangs from can be looked at first. */
export const SLACK_MM = 10_000;

/** A strap from one piece to another: loose until its ends are as far apart as it is long, then it pulls. */
export const pull: Mechanism = {
  id: 'pull',
  name: 'Pull strap',
  says: 'A strap between two pieces that lifts a lid or a second figure as the card opens.',
  mark: 'M3 21H37M8 21V8L30 14M37 21L30 14',
  sits: 'seats',
  inputs: [
    { id: 'widthMm', label: 'Width', kind: 'length' },
    { id: 'alongMm', label: 'One end to the right', kind: 'length' },
    { id: 'riseMm', label: 'One end up', kind: 'length' },
    { id: 'otherRiseMm', label: 'Other end up', kind: 'length' },
    { id: 'liftDeg', label: 'Lifts a lid by', kind: 'angle' },
    {
      ...{ id: 'longMm', label: 'Between its ends', kind: 'length', mayBeNull: true },
      says: 'Left empty, it follows from how far it lifts.',
    },
    tab,
  ],
  opensFlat: ({ longMm }, shortMm) =>
    longMm === null ? [] : [{ label: 'Make the strap longer', part: { longMm: Math.ceil(longMm + shortMm + 1) } }],
  make: ({ alongMm, widthMm, riseMm, otherRiseMm, longMm, tabMm }, { layerId, seat, other }) => {
    const id = `${layerId}-1`;
    const [from, to] = [seat!, other!];
    const span = longMm ?? SLACK_MM;
    return {
      ok: true,
      made: {
        parts: [],
        bands: [
          {
            ...{ id, name: 'Pull strap', widthMm, longMm: span },
            ups: [from.up, to.up],
            from: { body: from.body, at: placeOn(from, alongMm, riseMm) },
            to: { body: to.body, at: placeOn(to, 0, otherRiseMm) },
            blank: strip(
              [
                { id: 'tabFrom', name: 'First tab', widthMm: tabMm },
                { id: 'strap', name: 'Strap', widthMm: span },
                { id: 'tabTo', name: 'Second tab', widthMm: tabMm },
              ],
              [
                { id: 'from', direction: 'valley' },
                { id: 'to', direction: 'valley' },
              ],
              widthMm,
            ),
          },
        ],
      },
    };
  },
};
