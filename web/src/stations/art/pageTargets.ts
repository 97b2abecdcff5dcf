import {
  decide,
  EMPTY_FACE,
  formatSize,
  partsOfPage,
  type BackgroundPage,
  type Job,
  type JobChange,
  type LengthUnit,
  type PagePart,
  type PicturePlacement,
  type Plan,
} from '@zippy/core';

/** A face or a layer that part of the page can be printed on. */
export interface Target {
  readonly id: string;
  readonly name: string;
  /** Trim and bleed together. */
  readonly widthMm: number;
  readonly heightMm: number;
  readonly change: (job: Job, picture: PicturePlacement) => JobChange;
}

/** Layers first, because they are what pages of background paper are bought for. */
export function targetsOf({ size, art }: Plan): readonly Target[] {
  const faces = art.faces.map(({ face, bleed }): Target => ({
    id: `face ${face.id}`,
    name: face.name,
    widthMm: bleed.widthMm,
    heightMm: bleed.heightMm,
    change: (job, picture) =>
      decide((job) => job.art.faces.at(face.id), { ...EMPTY_FACE, ...job.art.faces[face.id], picture }),
  }));
  // A layer’s faces share one picture, and only the topmost sheet on each carries it.
  const layers = [...new Set(size.layers.map(({ layer }) => layer))].map((layer): Target => {
    const own = size.layers.filter((piece) => piece.layer === layer);
    const tops = [...new Map(own.map((piece) => [piece.faceId, piece])).values()];
    const most = (measure: (piece: (typeof own)[number]) => number): number => Math.max(...tops.map(measure));
    return {
      id: `layer ${layer}`,
      name: `${tops[0]!.name}${tops.length > 1 ? ` and ${tops.length - 1} more` : ''}`,
      widthMm: most(({ blank }) => blank.widthMm) + 2 * size.bleedMm,
      heightMm: most(({ blank }) => blank.heightMm) + 2 * size.bleedMm,
      change: (_, picture) => decide((job) => job.size.layers.at(layer).picture, picture),
    };
  });
  return [...layers, ...faces];
}

/** A part of the page for each target: the next one of its size, or the first for all. */
export function partsFor(
  page: BackgroundPage,
  targets: readonly Target[],
  apart: boolean,
): ReadonlyMap<string, PagePart | null> {
  const used = new Map<string, number>();
  return new Map(
    targets.map((target) => {
      const key = `${target.widthMm.toFixed(3)} ${target.heightMm.toFixed(3)}`;
      const parts = partsOfPage(page, target);
      const at = used.get(key) ?? 0;
      if (apart) used.set(key, at + 1);
      return [target.id, parts.length > 0 ? parts[at % parts.length]! : null];
    }),
  );
}

/** How many panels of each size the page gives. */
export function sayParts(page: BackgroundPage, targets: readonly Target[], unit: LengthUnit): string {
  const sizes = new Map(targets.map((t) => [formatSize(t.widthMm, t.heightMm, unit), t]));
  return [...sizes]
    .map(([size, target]) => {
      const parts = partsOfPage(page, target);
      const turned = parts.filter((part) => part.turned).length;
      if (parts.length === 0) return `The page is smaller than ${size}.`;
      return `One page gives ${parts.length} of ${size}, bleed and all${turned > 0 ? `, ${turned === parts.length ? 'all' : turned} turned because more fit` : ''}.`;
    })
    .join(' ');
}
