import type { Colour, Role } from '../../ground/scene/types.ts';
import type { Mm } from '../../ground/length/types.ts';

/** How a role is drawn in files; line kinds differ by pattern as well as colour. */
export interface Look {
  readonly stroke: Colour | null;
  readonly widthMm: Mm;
  readonly dashMm: readonly Mm[];
  readonly fill: Colour | null;
  /** Drawn as lines instead of a flat fill, turned clockwise from upright by so many degrees. */
  readonly hatch?: 45 | -45;
}

/** Lines of a hatch: from one to the next, how wide, and how much they and what lies between them cover. */
export const HATCH = { pitchMm: 1.6, widthMm: 0.35, lineOpacity: 0.75, groundOpacity: 0.12 } as const;

const line = (stroke: Colour, widthMm: Mm, dashMm: readonly Mm[] = []): Look => ({
  stroke,
  widthMm,
  dashMm,
  fill: null,
});
const area = (fill: Colour): Look => ({ stroke: null, widthMm: 0, dashMm: [], fill });

export const LOOKS: Readonly<Record<Role, Look>> = {
  art: area('#000000'),
  stock: area('#fffdf8'),
  sheet: { stroke: '#8b969d', widthMm: 0.2, dashMm: [], fill: '#fffdf8' },
  printable: line('#8b969d', 0.15, [0.6, 1.2]),
  trim: line('#7b2869', 0.25),
  bleed: { stroke: null, widthMm: 0, dashMm: [], fill: '#e8674f', hatch: 45 },
  safe: line('#2e7d46', 0.3, [0.01, 1.1]),
  creaseAway: line('#0b7f86', 0.3, [3, 1.2]),
  creaseToward: line('#a86400', 0.3, [1.1, 1]),
  cut: line('#7b2869', 0.3),
  cutNow: line('#f2b01e', 0.7),
  waste: area('#c9cfd2'),
  mark: line('#1d2930', 0.15),
  glue: { stroke: '#a86400', widthMm: 0.15, dashMm: [0.8, 0.6], fill: '#a86400', hatch: -45 },
  fence: area('#f2b01e'),
  shade: area('#1d2930'),
  direction: { stroke: '#36454f', widthMm: 0.35, dashMm: [], fill: null },
  dimension: line('#56656e', 0.18),
  label: area('#1d2930'),
};
