import { Colors, DxfWriter, LWPolylineFlags, point2d, Units } from '@tarikjabiri/dxf';
import { flatten, layerName, type Path, type PathPart, type Role, type Scene } from '@zippy/core';

/** Colours from the format’s own index, only to tell layers apart on a dark or a light ground. */
const COLOURS: Partial<Readonly<Record<Role, number>>> = {
  cut: Colors.Magenta,
  creaseAway: Colors.Cyan,
  creaseToward: Colors.Yellow,
  safe: Colors.Green,
  bleed: Colors.Red,
};

/**
 * A drawing’s outlines for other programs: one layer for each role, millimetres, y up, the drawing’s own
 * origin at its top left turned to the bottom left. Curves are polylines within the core’s flatness.
 * @throws RangeError for anything but paths, which is all that a template holds
 */
export function sceneToDxf(scene: Scene): string {
  const dxf = new DxfWriter();
  dxf.setUnits(Units.Millimeters);
  const layers = new Set<Role>();
  const bottom = scene.box.yMm + scene.box.heightMm;
  for (const shape of scene.shapes) {
    if (shape.kind !== 'path') throw new RangeError(`sceneToDxf: wanted only paths, got a ${shape.kind}`);
    if (!layers.has(shape.role)) {
      layers.add(shape.role);
      dxf.addLayer(layerName(shape.role), COLOURS[shape.role] ?? Colors.White, 'CONTINUOUS');
    }
    for (const { points, closed } of figures(shape.path))
      dxf.addLWPolyline(
        points.map(({ xMm, yMm }) => ({ point: point2d(xMm, bottom - yMm) })),
        { layerName: layerName(shape.role), flags: closed ? LWPolylineFlags.Closed : LWPolylineFlags.None },
      );
  }
  return dxf.stringify();
}

type Figure = { readonly points: readonly { xMm: number; yMm: number }[]; readonly closed: boolean };

/** Closed figures are flattened; open ones here are single straight lines. */
function figures(path: Path): readonly Figure[] {
  const split: PathPart[][] = [];
  for (const part of path)
    if (part.kind === 'move') split.push([part]);
    else split.at(-1)!.push(part);
  return split.flatMap((figure): readonly Figure[] => {
    if (figure.at(-1)!.kind === 'close') return flatten(figure).map((points) => ({ points, closed: true }));
    return [{ points: figure.flatMap((part) => (part.kind === 'close' ? [] : [part.to])), closed: false }];
  });
}
