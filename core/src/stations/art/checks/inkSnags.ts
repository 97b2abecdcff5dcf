import { printerOf, stockOf } from '../../../job/pick.ts';
import { decide, type Held, type JobPlace } from '../../../job/decide.ts';
import { fixed } from '../../../ground/length/rounding.ts';
import type { Job } from '../../../job/types.ts';
import type { Printer, Stock, Workshop } from '../../../workshop/types.ts';
import type { Remedy, Snag } from '../../../job/findings.ts';
import type { Micron, Mm } from '../../../ground/length/types.ts';
import type { Colour } from '../../../ground/scene/types.ts';
import type { SizePlan } from '../../size/planSize.ts';
import { contrast, printedOn } from '../ink/colour.ts';
import { TEST_PRINT } from './testPrint.ts';
import { inkLimit, inkTotal, type InkLattice } from '../ink/inkTotal.ts';
import { isWholeOnFace, type FacePlan } from '../faces/items.ts';

/** The outer skin runs half a turn on a radius one caliper larger than the inner: it stretches by π calipers. */
const skinStretchMm = (caliperMicron: Micron): Mm => (Math.PI * caliperMicron) / 1000;
/** From this stretch on, ink is expected to show it. */
const STRETCHED_MM = 1;
/** Cracks show the card through the ink; they are seen from this contrast on, and plainly from the second. */
const CRACK = { seen: 1.5, plain: 6 } as const;
/** A lighter colour is looked for in steps of this much of the way to white. */
const STEP = 0.02;

const asPercent = (share: number): string => `${Math.round(share * 100)} %`;

interface Ground {
  readonly printer: Printer;
  readonly stock: Stock;
}

const groundOf = (job: Job, workshop: Workshop): Ground => ({
  printer: printerOf(job, workshop),
  stock: stockOf(job, workshop),
});

/** Ink laid at one place of a face, what it is called, and how it could be less. */
export interface Laid {
  /** The face whose background this is; null for anything else. */
  readonly groundOfFace: string | null;
  readonly name: string;
  readonly total: number;
  readonly lighten: (limit: number) => Remedy;
}

/** Places that ask for more ink than the stock takes from this printer, the heaviest first. */
export function heavyInk(
  job: Job,
  workshop: Workshop,
  faces: readonly FacePlan[],
  lattice: InkLattice | null,
): readonly Laid[] {
  const ground = groundOf(job, workshop);
  if (!lattice) return [];
  const limit = inkLimit(ground.printer, ground.stock.coating);
  return faces
    .flatMap((face) => laidOn(job, face, lattice))
    .filter(({ total }) => total > limit + 1e-9)
    .sort((a, b) => b.total - a.total);
}

/** All of them in one snag, to be put right one by one or together. */
export function inkTotalSnags(job: Job, workshop: Workshop, heavy: readonly Laid[]): readonly Snag[] {
  const [worst] = heavy;
  if (!worst) return [];
  const { printer, stock } = groundOf(job, workshop);
  const limit = inkLimit(printer, stock.coating);
  const far = worst.total > limit * FAR_OVER;
  // A sheet printed first says more than any profile: a driver mixes inks of its own.
  if (job.make.testPrint && !far) return [];
  const easier = heavy.map((laid) => laid.lighten(limit));
  return [
    {
      id: 'art-ink-total',
      station: 'art',
      level: far ? 'warn' : 'note',
      title: `${heavy.length === 1 ? `${capital(worst.name)} asks for` : `${heavy.length} places ask for up to`} ${asPercent(worst.total)} of ink; ${stock.coating} card takes about ${asPercent(limit)}`,
      why: `${heavy.length > 1 ? `${capital(heavy.map(({ name, total }) => `${name} ${asPercent(total)}`).join(', '))}. ` : ''}That is all four inks together, as a press would mix them; a printer’s own driver mixes its own and usually lays less. Too much stays wet, rubs off on the next sheet and curls the card. Print one at the paper setting for this card and rub it when it has dried.`,
      remedies: [
        ...(job.make.testPrint || far ? [] : [TEST_PRINT]),
        ...(easier.length > 1
          ? [
              {
                label: easier.length === 2 ? 'Ease both' : `Ease all ${easier.length}`,
                changes: easier.flatMap(({ changes }) => changes),
              },
            ]
          : []),
        ...easier.slice(0, 3),
      ],
    },
  ];
}

/** Beyond this much over a limit no driver’s own mixing helps. */
const FAR_OVER = 1.3;

const capital = (text: string): string => text.replace(/^./, (first) => first.toUpperCase());

function laidOn(job: Job, face: FacePlan, lattice: InkLattice): readonly Laid[] {
  const { art, picture } = face;
  const place = (job: JobPlace) => job.art.faces.at(face.face.id);
  const on = `of the ${face.face.name.toLowerCase()}`;
  const colours: readonly (readonly [
    name: string,
    colour: Colour | undefined,
    where: (job: JobPlace) => Held<Colour | null>,
  ])[] = [
    ['background', art.background ?? undefined, (job) => place(job).background],
    ['gradient', art.gradient?.from, (job) => place(job).gradient.from],
    ['gradient’s other end', art.gradient?.to, (job) => place(job).gradient.to],
    ['border', art.border?.colour, (job) => place(job).border.colour],
  ];
  const laid: Laid[] = colours.flatMap(([what, colour, where]) => {
    const name = `the ${what} ${on}`;
    if (!colour) return [];
    const lighten = (limit: number): Remedy => {
      const value = lightened(colour, limit, lattice);
      return { label: `Lighten ${name} to ${asPercent(inkTotal(value, lattice))}`, changes: [decide(where, value)] };
    };
    const groundOfFace = what === 'background' ? face.face.id : null;
    return [{ groundOfFace, name, total: inkTotal(colour, lattice), lighten }];
  });
  // A picture that runs on from another face is spoken of there.
  if (picture && picture.from === face.face.id) {
    const { placement } = picture;
    const whole = ownTotal(job, placement, lattice);
    const name = `the picture ${on}`;
    if (whole !== null)
      laid.push({
        groundOfFace: null,
        name,
        total: whole * (1 - placement.fade),
        lighten: (limit) => {
          const fade = Math.ceil((1 - limit / whole) * 100) / 100;
          return {
            label: `Fade ${name} by ${asPercent(fade)}`,
            changes: [decide((job) => place(job).picture.fade, fade)],
          };
        },
      });
  }
  return laid;
}

/** Heaviest ink of a picture; one colour for all its darks when it is tinted. */
function ownTotal(
  { pictures }: Job,
  { pictureId, grey, tint }: { readonly pictureId: string; readonly grey: boolean; readonly tint?: Colour | null },
  lattice: InkLattice,
): number | null {
  const known = pictures[pictureId]?.inkTotal;
  if (known === undefined) return null;
  return tint || grey ? inkTotal(tint ?? '#000000', lattice) : known;
}

/** The nearest colour on the way to white that keeps to the limit; white asks for none, so there is one. */
export function lightened(colour: Colour, limit: number, lattice: InkLattice): Colour {
  for (let share = STEP; share < 1; share += STEP) {
    const mixed = `#${[1, 3, 5]
      .map((i) => {
        const dark = parseInt(colour.slice(i, i + 2), 16);
        return Math.round(dark + (255 - dark) * share)
          .toString(16)
          .padStart(2, '0');
      })
      .join('')}`;
    if (inkTotal(mixed, lattice) <= limit) return mixed;
  }
  return '#ffffff';
}

/** A skin of ink over a fold cracks where it stretches: at every fold, on the side that ends up outside. */
export function foldInkSnags(
  job: Job,
  workshop: Workshop,
  { form: { blank } }: SizePlan,
  faces: readonly FacePlan[],
): readonly Snag[] {
  const { printer, stock } = groundOf(job, workshop);
  const shows = (face: FacePlan): number => edgeContrast(face, printer.printsWhite ? null : stock.colour, stock.colour);
  const stretched = blank.creases.flatMap(({ joins, direction }) => {
    const meeting = faces
      .filter(({ face }) => joins.includes(face.panelId) && (direction === 'mountain') === (face.side === 'outside'))
      .map((face) => ({ name: face.face.name.toLowerCase(), shows: shows(face) }))
      .filter((found) => found.shows >= CRACK.seen);
    return meeting.length > 0 ? [meeting] : [];
  });
  if (stretched.length === 0) return [];
  const toner = printer.ink === 'laser';
  const stretchMm = skinStretchMm(stock.caliperMicron);
  const thick = stretchMm > STRETCHED_MM;
  const plain = stretched.some((meeting) => meeting.some((found) => found.shows >= CRACK.plain));
  if (!toner && !thick && !plain) return [];
  const names = [...new Set(stretched.map((meeting) => meeting.map(({ name }) => name).join(' and ')))];
  const reasons = [
    ...(toner ? ['toner is a skin of plastic and breaks where it is bent'] : []),
    ...(thick
      ? [`round a shut fold the outer skin of ${stock.caliperMicron} µm stretches by ${fixed(stretchMm, 1)} mm`]
      : []),
    ...(plain ? ['a crack in so dark a colour shows the card at once'] : []),
  ];
  return [
    {
      id: 'art-over-fold',
      station: 'art',
      level: toner && plain ? 'warn' : 'note',
      title: `Ink runs ${stretched.some((m) => m.length > 1) ? 'over' : 'up to'} a fold: ${names.slice(0, 3).join('; ')}`,
      why: `${reasons.join('; ').replace(/^./, (first) => first.toUpperCase())}. Crease before folding with every pass, and fold a printed test card; card of the same colour all through hides it best.`,
      remedies: toner ? bendingInk(workshop, stock) : [],
    },
  ];
}

/** Printers whose ink soaks in and bends with the fibres, where one takes this card. */
const bendingInk = (workshop: Workshop, stock: Stock): readonly Remedy[] =>
  workshop.printers
    .flatMap((printer) => {
      const path = printer.paths.find(
        (p) => p.heaviestGsm >= stock.gsm && p.thickestMicron >= stock.caliperMicron && printer.ink === 'inkjet',
      );
      return path ? [{ printer, path }] : [];
    })
    .slice(0, 1)
    .map(({ printer, path }) => ({
      label: `Print it on ${printer.name}: its ink soaks in`,
      changes: [decide((job) => job.stock.printerId, printer.id), decide((job) => job.stock.pathId, path.id)],
    }));

/** How far what is laid at the face’s edges stands out from the bare card; nobody knows what of a picture lies there. */
function edgeContrast({ art, picture, tiles }: FacePlan, through: Colour | null, bare: Colour): number {
  const seen = (colour: Colour): number => contrast(through ? printedOn(colour, through) : colour, bare);
  const colours = [
    ...(art.background ? [art.background] : []),
    ...(art.gradient ? [art.gradient.from, art.gradient.to] : []),
    ...(art.border && art.border.insetMm === 0 ? [art.border.colour] : []),
  ].map(seen);
  if (picture && picture.placement.fade < 0.5 && !isWholeOnFace(picture.placement)) colours.push(CRACK.seen);
  if (tiles && tiles.fade < 0.5) colours.push(CRACK.seen);
  return Math.max(1, ...colours);
}
