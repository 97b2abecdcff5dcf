/** What a drawing may be made of. Source: SVG 1.1 (second edition), and SVG 2 where drawing programs write it. */
const ELEMENTS = [
  ...['svg', 'g', 'defs', 'symbol', 'use', 'path', 'rect', 'circle', 'ellipse', 'line', 'polyline', 'polygon'],
  ...['text', 'tspan', 'textPath', 'image', 'clipPath', 'mask', 'pattern', 'marker', 'style'],
  ...['linearGradient', 'radialGradient', 'stop', 'filter'],
  ...['feBlend', 'feColorMatrix', 'feComponentTransfer', 'feComposite', 'feConvolveMatrix', 'feDiffuseLighting'],
  ...['feDisplacementMap', 'feDistantLight', 'feDropShadow', 'feFlood', 'feFuncA', 'feFuncB', 'feFuncG', 'feFuncR'],
  ...['feGaussianBlur', 'feMerge', 'feMergeNode', 'feMorphology', 'feOffset', 'fePointLight', 'feSpecularLighting'],
  ...['feSpotLight', 'feTile', 'feTurbulence'],
] as const;

/** Wrappers that draw nothing themselves; what is in them stays. */
export const WRAPPERS: ReadonlySet<string> = new Set(['a', 'switch']);

const ATTRIBUTES = [
  ...['id', 'class', 'style', 'transform', 'viewBox', 'preserveAspectRatio', 'x', 'y', 'width', 'height', 'version'],
  ...['x1', 'y1', 'x2', 'y2', 'cx', 'cy', 'r', 'rx', 'ry', 'fx', 'fy', 'fr', 'd', 'points', 'pathLength', 'offset'],
  ...['href', 'xlink:href', 'xml:space', 'dx', 'dy', 'rotate', 'textLength', 'lengthAdjust', 'startOffset', 'method'],
  ...['spacing', 'side', 'gradientUnits', 'gradientTransform', 'spreadMethod', 'patternUnits', 'patternContentUnits'],
  ...['patternTransform', 'clipPathUnits', 'maskUnits', 'maskContentUnits', 'markerUnits', 'markerWidth'],
  ...['markerHeight', 'refX', 'refY', 'orient', 'filterUnits', 'primitiveUnits', 'type', 'media'],
  ...['fill', 'fill-opacity', 'fill-rule', 'stroke', 'stroke-width', 'stroke-opacity', 'stroke-linecap'],
  ...['stroke-linejoin', 'stroke-miterlimit', 'stroke-dasharray', 'stroke-dashoffset', 'opacity', 'color', 'display'],
  ...[
    'visibility',
    'overflow',
    'clip-path',
    'clip-rule',
    'mask',
    'filter',
    'stop-color',
    'stop-opacity',
    'paint-order',
  ],
  ...['vector-effect', 'shape-rendering', 'text-rendering', 'image-rendering', 'color-interpolation'],
  ...['color-interpolation-filters', 'mix-blend-mode', 'isolation', 'enable-background', 'marker-start', 'marker-mid'],
  ...['marker-end', 'font', 'font-family', 'font-size', 'font-style', 'font-weight', 'font-variant', 'font-stretch'],
  ...['font-size-adjust', 'letter-spacing', 'word-spacing', 'text-anchor', 'text-decoration', 'baseline-shift'],
  ...['dominant-baseline', 'alignment-baseline', 'direction', 'unicode-bidi', 'writing-mode', 'kerning'],
  ...['in', 'in2', 'result', 'mode', 'values', 'operator', 'k1', 'k2', 'k3', 'k4', 'order', 'kernelMatrix', 'divisor'],
  ...['bias', 'targetX', 'targetY', 'edgeMode', 'preserveAlpha', 'kernelUnitLength', 'surfaceScale'],
  ...['diffuseConstant', 'specularConstant', 'specularExponent', 'scale', 'xChannelSelector', 'yChannelSelector'],
  ...['azimuth', 'elevation', 'z', 'pointsAtX', 'pointsAtY', 'pointsAtZ', 'limitingConeAngle', 'flood-color'],
  ...['flood-opacity', 'lighting-color', 'tableValues', 'slope', 'intercept', 'amplitude', 'exponent', 'stdDeviation'],
  ...['radius', 'baseFrequency', 'numOctaves', 'seed', 'stitchTiles'],
] as const;

const spelling = (names: readonly string[]): ReadonlyMap<string, string> =>
  new Map(names.map((name) => [name.toLowerCase(), name]));

/** Names as they are spelt in SVG, by their small letters: text that went through a page has lost its capitals. */
export const ELEMENT_NAMES = spelling(ELEMENTS);
export const ATTRIBUTE_NAMES = spelling(ATTRIBUTES);
