import type { FoldedForm, FoldStep } from '../../../ground/fold/types.ts';
import type { Mm } from '../../../ground/length/types.ts';
import type { FormatOptions } from '../../../job/format.ts';
import { doors } from './parts/doors.ts';
import { behindOpen, form, inner, outer } from './parts/strip.ts';
import { wrapMm } from './parts/wrap.ts';
import { panels, shorten } from './parts/inputs.ts';
import type { Finish, Format, Paper } from './types.ts';

export const rollFold: Format = {
  id: 'rollFold',
  name: 'Roll fold',
  says: 'Each panel rolls inside the one before it.',
  family: 'Doors, rolls and pleats',
  mark: 'M6 5H34V20H10V10H28V15H16',
  inputs: [panels(3, 6), shorten],
  form: rolled,
};

/** Rolled from the left: every mountain turns what is rolled already onto the next panel. */
function rolled({ widthMm, heightMm }: Finish, options: FormatOptions, paper: Paper): FoldedForm {
  const n = options.panels;
  const widths: Mm[] = [widthMm, widthMm];
  // From the back inwards; the bend round panel k holds all that is rolled before it.
  for (let k = n - 2; k >= 1; k -= 1) widths.unshift(widths[0]! - wrapMm(options, paper, k));
  const id = (i: number): string => (i === n - 1 ? 'front' : i === n - 2 ? 'back' : `roll${i + 1}`);
  const blank = doors(
    heightMm,
    widths.map((w, i) => ({
      id: id(i),
      name: i === n - 1 ? 'Front panel' : i === n - 2 ? 'Back panel' : `Rolled panel ${i + 1}`,
      widthMm: w,
    })),
    widths.slice(1).map((_, i) => `fold${i + 1}`),
  );
  return form(blank, {
    steps: widths.slice(1).map((_, i): FoldStep => ({
      creaseIds: [`fold${i + 1}`],
      says:
        i === 0
          ? 'Fold the shortest panel in.'
          : i === n - 2
            ? 'Shut the front over the roll.'
            : 'Roll it on, over the next panel.',
    })),
    opens: 'inTurn',
    front: 'front',
    rests: 'back',
    standing: Object.fromEntries(widths.slice(1).map((_, i) => [`fold${i + 1}`, 65])),
    faces: [
      outer('front', 'front', 'Front', 'front'),
      ...(n === 3
        ? [{ ...outer('roll1', 'flap', 'Flap, as the front is opened', 'front'), shut: 1 } as const]
        : Array.from({ length: n - 2 }, (_, i) =>
            behindOpen(id(i), `outside${i + 1}`, `Outside, rolled panel ${i + 1}`),
          )),
      ...Array.from({ length: n }, (_, i) => inner(id(n - 1 - i), `inside${i + 1}`, `Inside ${i + 1}`)),
      outer('back', 'back', 'Back', 'behind'),
    ],
  });
}
