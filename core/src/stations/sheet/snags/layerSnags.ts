import { decide } from '../../../job/decide.ts';
import { plural } from '../../../job/figures.ts';
import type { Remedy, Snag } from '../../../job/findings.ts';
import { trimmerOf } from '../../../job/pick.ts';
import type { Job } from '../../../job/types.ts';
import { formatLength, formatSize } from '../../../ground/length/formatLength.ts';
import { sortedBy } from '../../../job/sorted.ts';
import { heatToolFor, heatToolsOf } from '../../../workshop/tools.ts';
import type { FeedPath, Stock, Trimmer, Workshop } from '../../../workshop/types.ts';
import type { LayerPiece } from '../../size/layers.ts';
import { evenSides } from '../../../ground/geometry/box.ts';
import { alongHinges, hingesAcross } from '../layout/alongHinges.ts';
import { isWrap } from '../../../job/layerKinds.ts';
import { layBlank } from '../layout/layBlank.ts';
import { pathRefusals } from '../../stock/planStock.ts';
import { holdsFoil, waysOf, type LayerPrint, type LayerSheet } from '../layout/layerSheets.ts';

/** What stands in the way of a layer: what prints it, its sheet, its foil, and what the shelf has of its stock. */
export function layerSnags(job: Job, layers: readonly LayerSheet[], workshop: Workshop): readonly Snag[] {
  const { unit } = workshop;
  const { machine } = trimmerOf(job, workshop);
  return layers.flatMap((layer): readonly Snag[] => {
    const { piece, blank, stock, up, sheets, print } = layer;
    const bare = {
      label: `Leave ${piece.name.toLowerCase()} bare`,
      changes: [decide((job) => job.size.layers.at(piece.layer).picture, null)],
    };
    if (print && print.refusals.length > 0)
      return [
        {
          id: `sheet-layer-path-${piece.id}`,
          station: 'sheet',
          level: 'stop',
          title: `${print.printer.name} will not take ${stock.name}, which ${piece.name.toLowerCase()} is printed on`,
          why: `Through the ${print.path.name}: ${print.refusals.join('; ')}.`,
          remedies: [...feedRemedies(job, workshop, piece), ...stockRemedies(job, workshop, piece, print.path), bare],
        },
      ];
    const foiled = print ? foilSnags(job, workshop, layer, print) : [];
    if (foiled.some(({ level }) => level === 'stop')) return foiled;
    if (up === 0)
      return [
        {
          id: `sheet-layer-${piece.id}`,
          station: 'sheet',
          level: 'stop',
          title: `${piece.name} does not fit on its sheet`,
          why: `It is ${formatSize(blank.widthMm, blank.heightMm, unit)}${print ? ' and its bleed' : ''}, and ${stock.name} is ${formatSize(stock.sheetWidthMm, stock.sheetHeightMm, unit)}${print ? ' less what the printer cannot reach' : ''}.`,
          remedies: [
            ...(print && fitsBare(blank, stock, machine) ? [bare] : []),
            ...largerStocks(workshop, machine, layer),
          ],
        },
      ];
    const across: readonly Snag[] = hingesAcross(piece, layer.laid)
      ? [
          {
            id: `sheet-layer-grain-${piece.id}`,
            station: 'sheet',
            level: 'warn',
            title: `The grain runs across the hinges of ${piece.name.toLowerCase()}`,
            why: `${stock.name} takes it only so. Fibres across a crease that is worked to and fro break in time: crease it well, or choose another stock.`,
            remedies: lighterFor(workshop, piece),
          },
        ]
      : [];
    const alone: readonly Snag[] =
      up === 1 && sheets > 1 && sheets <= stock.onShelf
        ? [
            {
              id: `sheet-layer-alone-${piece.id}`,
              station: 'sheet',
              level: 'note',
              title: `${piece.name}: one to a sheet`,
              why: `One comes out of ${stock.name}, and the rest of each sheet is left. Shared sheets lays pieces of several kinds and jobs on one.`,
              remedies: [],
            },
          ]
        : [];
    if (sheets <= stock.onShelf) return [...foiled, ...across, ...alone];
    return [
      ...foiled,
      ...across,
      {
        id: `sheet-layer-shelf-${piece.id}`,
        station: 'sheet',
        level: 'warn',
        title: `${sheets - stock.onShelf} ${plural(sheets - stock.onShelf, 'sheet')} short for ${piece.name.toLowerCase()}`,
        why: `It takes ${sheets}; the shelf holds ${stock.onShelf} of ${stock.name}.`,
        remedies: [],
      },
    ];
  });
}

const MOST_STOCKS = 2;

/** The heaviest stock that hinges either way, for a part whose own does not. */
const lighterFor = (workshop: Workshop, { kind, blank, layer }: LayerPiece): readonly Remedy[] =>
  sortedBy(
    workshop.stocks.filter((stock) => !stock.readyCut && alongHinges({ kind, blank, stock }) === null),
    ({ gsm }) => -gsm,
  )
    .slice(0, 1)
    .map(({ id, name }) => ({
      label: `Cut it from ${name}`,
      changes: [decide((job) => job.size.layers.at(layer).stockIds, [id])],
    }));

/** Stocks on the shelf whose sheets it comes out of, the nearest in weight first; of what is printed, printers would have to be asked too. */
function largerStocks(
  workshop: Workshop,
  machine: Trimmer['machine'],
  { piece, blank, stock, print }: LayerSheet,
): readonly Remedy[] {
  // A mat is as large as its face whatever it is cut from, and one of several layers cannot be told alone.
  if (print || !(isWrap(piece.kind) || piece.kind === 'popUp')) return [];
  return sortedBy(
    workshop.stocks.filter((one) => !one.readyCut && one.id !== stock.id && fitsBare(blank, one, machine)),
    (one) => Math.abs(one.gsm - stock.gsm),
  )
    .slice(0, MOST_STOCKS)
    .map((one) => ({
      label: `Cut it from ${one.name}`,
      changes: [decide((job) => job.size.layers.at(piece.layer).stockIds, [one.id])],
    }));
}

/** Other ways that take the panel’s stock, and its foil where it has one. */
const feedRemedies = (job: Job, workshop: Workshop, piece: LayerPiece): readonly Remedy[] =>
  waysOf(job, workshop, piece)
    .filter(({ printer, refusals }) => refusals.length === 0 && (!piece.foil || holdsFoil(printer)))
    .slice(0, 3)
    .map(({ printer, path }) => ({
      label: `Print ${piece.name.toLowerCase()} on the ${path.name} of ${printer.name}`,
      changes: [decide((job) => job.size.layers.at(piece.layer).feed, { printerId: printer.id, pathId: path.id })],
    }));

/** The stock on the shelf nearest in weight that the panel’s way does take; what is printed is the topmost of its layer. */
function stockRemedies(
  job: Job,
  workshop: Workshop,
  { stock, name, layer }: LayerPiece,
  path: FeedPath,
): readonly Remedy[] {
  const takes = workshop.stocks.filter(
    (other) => !other.readyCut && other.id !== stock.id && pathRefusals(path, other, workshop).length === 0,
  );
  const [nearest] = sortedBy(takes, ({ gsm }) => Math.abs(gsm - stock.gsm));
  const top = job.size.layers[layer]!.stockIds.length - 1;
  return nearest
    ? [
        {
          label: `Cut ${name.toLowerCase()} from ${nearest.name} instead`,
          changes: [decide((job) => job.size.layers.at(layer).stockIds.at(top), nearest.id)],
        },
      ]
    : [];
}

/** What foil asks of a printer and a card: toner, and a smooth ground. */
function foilSnags(
  job: Job,
  workshop: Workshop,
  { piece, stock }: LayerSheet,
  { printer }: LayerPrint,
): readonly Snag[] {
  if (!piece.foil) return [];
  const name = piece.name.toLowerCase();
  const plain: Remedy = {
    label: `Print ${name} in colours instead`,
    changes: [decide((job) => job.size.layers.at(piece.layer).foil, null)],
  };
  if (!holdsFoil(printer))
    return [
      {
        id: `sheet-foil-ink-${piece.id}`,
        station: 'sheet',
        level: 'stop',
        title: `Foil will not hold to what ${printer.name} prints`,
        why: `It melts onto toner, which only a laser printer lays; ink is a dye or a pigment that stays as it is under heat.`,
        remedies: [...feedRemedies(job, workshop, piece), plain],
      },
    ];
  const unheated = heatSnags(workshop, piece, stock);
  if (stock.coating !== 'textured') return unheated;
  return [
    ...unheated,
    {
      id: `sheet-foil-rough-${piece.id}`,
      station: 'sheet',
      level: 'warn',
      title: `Foil breaks up on ${stock.name}`,
      why: 'A textured card touches the foil on its high spots only. A smooth one shines whole; try one piece before the run.',
      remedies: [plain],
    },
  ];
}

/** A sheet gives the piece when nothing is printed on it, one way or the other, by the tool that cuts it. */
const fitsBare = (
  blank: LayerPiece['blank'],
  { sheetWidthMm, sheetHeightMm }: Stock,
  machine: Trimmer['machine'],
): boolean =>
  layBlank(
    {
      ...{ sheet: { widthMm: sheetWidthMm, heightMm: sheetHeightMm }, blank, bleedMm: 0, isPrinted: false },
      ...{ marginsMm: evenSides(0), mayLie: { asDrawn: true, turned: true } },
    },
    machine,
  ).laid.up > 0;

/** Foil needs what presses it on hot; a sheet that is too wide for it is cut down before, or done elsewhere. */
function heatSnags(workshop: Workshop, { id, name }: LayerPiece, stock: Stock): readonly Snag[] {
  const { unit } = workshop;
  const tools = heatToolsOf(workshop);
  const sheet = { widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm, caliperMicron: stock.caliperMicron };
  if (heatToolFor(workshop, sheet)) return [];
  const isNone = tools.length === 0;
  return [
    {
      id: `sheet-foil-heat-${id}`,
      station: 'sheet',
      level: isNone ? 'note' : 'warn',
      title: isNone
        ? `Nothing on the bench presses the foil of ${name.toLowerCase()} on`
        : `No laminator or press on the bench takes ${stock.name}`,
      why: isNone
        ? 'Toner takes foil under heat: a laminator or a press does it. Add yours in Workshop, and its width is watched.'
        : `The sheet is ${formatSize(stock.sheetWidthMm, stock.sheetHeightMm, unit)} and ${stock.caliperMicron} µm thick; yours take ${tools.map((tool) => `${formatLength(tool.widestMm, unit)} and ${formatLength(tool.thickestMm, unit)} (${tool.name})`).join(', ')}. Cut the panels apart before the foil, or use a smaller sheet.`,
      remedies: [],
    },
  ];
}
