import type { Affine } from '../../ground/geometry/affine.ts';
import type { Path } from '../../ground/geometry/path.ts';
import type { Colour, Inked, Role, Scene, Shape } from '../../ground/scene/types.ts';
import { layerName } from './layerNames.ts';
import type { Mm } from '../../ground/length/types.ts';
import { HATCH, LOOKS } from './look.ts';

/** One element of a drawing, so that a page and a file are written from the same tree. */
export interface SvgNode {
  readonly tag: string;
  readonly attributes: Readonly<Record<string, string>>;
  readonly children: readonly (SvgNode | string)[];
}

export interface SvgOptions {
  /** Where a picture of the job is to be had: a URL or a data URI. */
  readonly pictureHref: (pictureId: string) => string;
  /** Files draw strokes in millimetres; a screen keeps them a readable width at any zoom. */
  readonly strokes?: 'millimetres' | 'screen';
  /** Keeps ids of several drawings on one page apart. */
  readonly idPrefix?: string;
  /** Groups drawn parts by role, for programs that cut by layer. */
  readonly layers?: boolean;
  readonly labelFamily?: string;
  /** Draws a label in another way than as text: a file cannot know what fonts its reader has. */
  readonly drawLabel?: ((label: Label) => SvgNode) | null;
}

export type Label = Extract<Shape, { kind: 'label' }>;
type Settled = Required<SvgOptions>;

/** Screen pixels for a file's millimetre of line. */
const SCREEN_PX_PER_MM = 5.5;
/** Relative luminance weights. Source: ITU-R BT.709. */
export const GREY_WEIGHTS = [0.2126, 0.7152, 0.0722] as const;
/**
 * How steeply a picture goes from ink to none about its middle grey, where only its dark parts count: within a sixteenth
 * of all greys, so that an edge stays smooth and nothing else is half a tone.
 */
export const DARK_SLOPE = 16;

/** Writes numbers to a tenth of a micron, without trailing noughts. @throws RangeError when not finite */
export function num(value: number): string {
  if (!Number.isFinite(value)) throw new RangeError(`num: wanted a finite number, got ${value}`);
  return String(Math.round(value * 1e4) / 1e4 + 0);
}

export const pathData = (path: Path): string =>
  path
    .map((part) => {
      switch (part.kind) {
        case 'move':
          return `M${num(part.to.xMm)} ${num(part.to.yMm)}`;
        case 'line':
          return `L${num(part.to.xMm)} ${num(part.to.yMm)}`;
        case 'curve':
          return `C${[part.c1, part.c2, part.to].map((p) => `${num(p.xMm)} ${num(p.yMm)}`).join(' ')}`;
        case 'close':
          return 'Z';
      }
    })
    .join('');

export const matrix = (map: Affine): string => `matrix(${map.map(num).join(' ')})`;

/** The whole drawing: definitions first, then shapes. */
export function svgNodes(scene: Scene, options: SvgOptions): readonly SvgNode[] {
  const settled: Settled = {
    strokes: 'millimetres',
    idPrefix: 'z',
    layers: false,
    labelFamily: 'Atkinson Hyperlegible Next, sans-serif',
    drawLabel: null,
    ...options,
  };
  const clips: SvgNode[] = [];
  const draw = (shape: Shape): SvgNode => shapeNode(shape, settled, clips, draw);
  const symbols = Object.entries(scene.symbols).map(([id, symbol]) =>
    element('g', { id: `${settled.idPrefix}-${id}` }, symbol.shapes.map(draw)),
  );
  const shapes = settled.layers ? layered(scene.shapes, draw) : scene.shapes.map(draw);
  return [element('defs', {}, [...hatches(settled), ...clips, ...symbols]), ...shapes];
}

/** A complete SVG file in true size: its user unit is the millimetre. */
export function svgFile(scene: Scene, title: string, options: SvgOptions): string {
  const { xMm, yMm, widthMm, heightMm } = scene.box;
  const root = element(
    'svg',
    {
      xmlns: 'http://www.w3.org/2000/svg',
      width: `${num(widthMm)}mm`,
      height: `${num(heightMm)}mm`,
      viewBox: [xMm, yMm, widthMm, heightMm].map(num).join(' '),
    },
    [element('title', {}, [title]), ...svgNodes(scene, options)],
  );
  return `<?xml version="1.0" encoding="UTF-8"?>\n${svgText(root)}\n`;
}

export function svgText(node: SvgNode | string): string {
  if (typeof node === 'string') return escapeText(node);
  const attributes = Object.entries(node.attributes)
    .map(([name, value]) => ` ${name}="${escapeText(value)}"`)
    .join('');
  return node.children.length === 0
    ? `<${node.tag}${attributes}/>`
    : `<${node.tag}${attributes}>${node.children.map(svgText).join('')}</${node.tag}>`;
}

const escapeText = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

const element = (
  tag: string,
  attributes: Readonly<Record<string, string>>,
  children: SvgNode['children'] = [],
): SvgNode => ({ tag, attributes, children });

function layered(shapes: readonly Shape[], draw: (shape: Shape) => SvgNode): readonly SvgNode[] {
  const roles = new Map<string, Shape[]>();
  for (const shape of shapes) {
    const role = 'role' in shape ? shape.role : 'art';
    roles.set(role, [...(roles.get(role) ?? []), shape]);
  }
  return [...roles].map(([role, own]) => element('g', { id: layerName(role as Role) }, own.map(draw)));
}

// eslint-disable-next-line max-lines-per-function -- a case for each kind of shape, in one switch that the compiler knows to be whole
function shapeNode(shape: Shape, options: Settled, clips: SvgNode[], draw: (shape: Shape) => SvgNode): SvgNode {
  /** What is alike is defined once. */
  const define = (node: SvgNode): string => {
    const id = node.attributes.id!;
    if (!clips.some((known) => known.attributes.id === id)) clips.push(node);
    return id;
  };
  const filterOf = ({ inked, tint }: { inked?: Inked; tint: Colour | null }): Record<string, string> => {
    const made = inked ? inkFilter(inked, options) : tint ? tintFilter(tint, options) : null;
    return made ? { filter: `url(#${define(made)})` } : {};
  };
  switch (shape.kind) {
    case 'path': {
      const { gradient } = shape;
      return element('path', {
        d: pathData(shape.path),
        ...pathLook(shape, options),
        ...(gradient ? { fill: `url(#${define(gradientNode(gradient, options))})` } : {}),
        ...roleFor(shape.role, options),
      });
    }
    case 'line':
      return element('path', { d: shape.outline, fill: shape.colour });
    case 'picture': {
      const { xMm, yMm, widthMm, heightMm } = shape.box;
      return element('image', {
        href: options.pictureHref(shape.pictureId),
        x: num(xMm),
        y: num(yMm),
        width: num(widthMm),
        height: num(heightMm),
        preserveAspectRatio: 'none',
        ...(shape.opacity < 1 ? { opacity: num(shape.opacity) } : {}),
        ...filterOf(shape),
      });
    }
    case 'tiles': {
      const { xMm, yMm, widthMm, heightMm } = shape.over;
      const pattern = tilePattern(shape, options);
      return element('rect', {
        x: num(xMm),
        y: num(yMm),
        width: num(widthMm),
        height: num(heightMm),
        fill: `url(#${define(pattern)})`,
        ...(shape.opacity < 1 ? { opacity: num(shape.opacity) } : {}),
        ...filterOf({ ...shape, tint: null }),
      });
    }
    case 'label': {
      if (options.drawLabel) return options.drawLabel(shape);
      const turned: Record<string, string> = shape.turnDeg
        ? { transform: `rotate(${num(shape.turnDeg)} ${num(shape.at.xMm)} ${num(shape.at.yMm)})` }
        : {};
      return element(
        'text',
        {
          x: num(shape.at.xMm),
          y: num(shape.at.yMm),
          'font-size': num(shape.sizeMm),
          'font-family': options.labelFamily,
          'text-anchor': shape.anchor,
          fill: shape.role === 'dimension' ? LOOKS.dimension.stroke! : LOOKS.label.fill!,
          ...turned,
          ...roleFor(shape.role, options),
        },
        [shape.text],
      );
    }
    case 'group': {
      const children = shape.children.map(draw);
      const attributes: Record<string, string> = {
        transform: matrix(shape.transform),
        ...(shape.blend ? { style: `mix-blend-mode: ${shape.blend}` } : {}),
      };
      if (!shape.clip) return element('g', attributes, children);
      const id = `${options.idPrefix}-clip${clips.length}`;
      clips.push(element('clipPath', { id }, [element('path', { d: pathData(shape.clip) })]));
      return element('g', attributes, [element('g', { 'clip-path': `url(#${id})` }, children)]);
    }
    case 'use':
      return element('use', { href: `#${options.idPrefix}-${shape.symbol}`, transform: matrix(shape.transform) });
  }
}

/** A page may restyle what lies on its own ground; files stay plain. */
const roleFor = (role: string, options: Settled): Record<string, string> =>
  options.strokes === 'screen' ? { 'data-role': role } : {};

function pathLook(shape: Extract<Shape, { kind: 'path' }>, options: Settled): Readonly<Record<string, string>> {
  const look = LOOKS[shape.role];
  const fill = shape.fill ?? (look.hatch ? `url(#${options.idPrefix}-hatch-${shape.role})` : look.fill);
  const onScreen = options.strokes === 'screen';
  const scale = onScreen ? SCREEN_PX_PER_MM : 1;
  return {
    fill: fill ?? 'none',
    ...(shape.fillOpacity !== undefined ? { 'fill-opacity': num(shape.fillOpacity) } : {}),
    ...(look.stroke
      ? {
          stroke: look.stroke,
          'stroke-width': num(look.widthMm * scale),
          'stroke-linecap': shape.role === 'safe' ? 'round' : 'butt',
          ...(look.dashMm.length > 0 ? { 'stroke-dasharray': look.dashMm.map((d) => num(d * scale)).join(' ') } : {}),
          ...(onScreen ? { 'vector-effect': 'non-scaling-stroke' } : {}),
        }
      : {}),
  };
}

const stripe = (role: 'bleed' | 'glue', widthMm: Mm, opacity: number): SvgNode =>
  element('rect', {
    width: num(widthMm),
    height: num(HATCH.pitchMm),
    fill: LOOKS[role].fill!,
    'fill-opacity': num(opacity),
  });

const hatches = (options: Settled): readonly SvgNode[] =>
  (['bleed', 'glue'] as const).map((role) =>
    element(
      'pattern',
      {
        id: `${options.idPrefix}-hatch-${role}`,
        width: num(HATCH.pitchMm),
        height: num(HATCH.pitchMm),
        patternUnits: 'userSpaceOnUse',
        patternTransform: `rotate(${LOOKS[role].hatch!})`,
      },
      [stripe(role, HATCH.pitchMm, HATCH.groundOpacity), stripe(role, HATCH.widthMm, HATCH.lineOpacity)],
    ),
  );

/** Grey by luminance, then from the tint where dark to white where light. */
function tintFilter(tint: Colour, options: Settled): SvgNode {
  const row = (channel: number): string => {
    const dark = parseInt(tint.slice(1 + 2 * channel, 3 + 2 * channel), 16) / 255;
    return `${GREY_WEIGHTS.map((w) => num(w * (1 - dark))).join(' ')} 0 ${num(dark)}`;
  };
  const id = `${options.idPrefix}-tint-${tint.slice(1)}`;
  return element('filter', { id, 'color-interpolation-filters': 'sRGB', x: '0', y: '0', width: '1', height: '1' }, [
    matrixNode(`${row(0)} ${row(1)} ${row(2)} 0 0 0 1 0`),
  ]);
}

/** One colour wherever there was any, as much of it as there was; or only where that was darker than half. */
function inkFilter({ ink, only }: Inked, options: Settled): SvgNode {
  const row = (channel: number): string =>
    `0 0 0 0 ${num(parseInt(ink.slice(1 + 2 * channel, 3 + 2 * channel), 16) / 255)}`;
  const inks = `${row(0)} ${row(1)} ${row(2)}`;
  const id = `${options.idPrefix}-${only ?? 'ink'}-${ink.slice(1)}`;
  const attributes = { id, 'color-interpolation-filters': 'sRGB', x: '0', y: '0', width: '1', height: '1' };
  if (!only) return element('filter', attributes, [matrixNode(`${inks} 0 0 0 1 0`)]);
  const dark = `${GREY_WEIGHTS.map((w) => num(-DARK_SLOPE * w)).join(' ')} 0 ${num((DARK_SLOPE + 1) / 2)}`;
  return element('filter', attributes, [
    matrixNode(`${inks} ${dark}`, { result: 'dark' }),
    element('feComposite', { in: 'dark', in2: 'SourceAlpha', operator: 'in' }),
  ]);
}

const matrixNode = (values: string, named: Record<string, string> = {}): SvgNode =>
  element('feColorMatrix', { type: 'matrix', values, ...named });

function gradientNode(
  { from, to, start, end }: NonNullable<Extract<Shape, { kind: 'path' }>['gradient']>,
  options: Settled,
): SvgNode {
  const ends = { x1: num(start.xMm), y1: num(start.yMm), x2: num(end.xMm), y2: num(end.yMm) };
  const id = `${options.idPrefix}-from-${[from, to, ...Object.values(ends)].join('_').replace(/[^\w.-]/g, '')}`;
  return element('linearGradient', { id, gradientUnits: 'userSpaceOnUse', ...ends }, [
    element('stop', { offset: '0', 'stop-color': from }),
    element('stop', { offset: '1', 'stop-color': to }),
  ]);
}

/** Two rows of tiles are a pattern’s cell where every other row is moved on. */
function tilePattern(shape: Extract<Shape, { kind: 'tiles' }>, options: Settled): SvgNode {
  const { tileMm, brick, over, pictureId } = shape;
  const at = (x: number, y: number): SvgNode =>
    element('image', {
      href: options.pictureHref(pictureId),
      x: num(x),
      y: num(y),
      width: num(tileMm),
      height: num(tileMm),
      preserveAspectRatio: 'xMidYMid slice',
    });
  const name = [pictureId, tileMm, brick, over.xMm, over.yMm]
    .map(String)
    .join('_')
    .replace(/[^\w.-]/g, '');
  return element(
    'pattern',
    {
      id: `${options.idPrefix}-tiles-${name}`,
      patternUnits: 'userSpaceOnUse',
      x: num(over.xMm),
      y: num(over.yMm),
      width: num(tileMm),
      height: num(brick ? 2 * tileMm : tileMm),
    },
    brick ? [at(0, 0), at(-tileMm / 2, tileMm), at(tileMm / 2, tileMm)] : [at(0, 0)],
  );
}
