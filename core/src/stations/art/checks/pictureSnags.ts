import { decide, type Held, type JobChange, type JobPlace } from '../../../job/decide.ts';
import type { Snag } from '../../../job/findings.ts';
import type { Job } from '../../../job/types.ts';
import { MM_PER_INCH } from '../../../ground/length/types.ts';
import type { FacePlan, LaidPicture } from '../faces/items.ts';
import type { PanelArt } from '../types.ts';

/** Pixels per inch at which a print looks good, soft, and not worth printing. */
export const PPI = { good: 300, soft: 200, refuse: 150 } as const;

const faceIn = (job: JobPlace, face: FacePlan) => job.art.faces.at(face.face.id);

/** A picture as it is printed somewhere, whose pixels may run out. */
export interface PlacedPicture {
  readonly id: string;
  /** Null for drawings. */
  readonly ppi: number | null;
  /** Pixels along what is printed across. */
  readonly pixels: number;
  /** Tells its snag from those of other places. */
  readonly key: string;
  readonly where: string;
  /** Showing all of it would make it finer. */
  readonly whole: { readonly ppi: number; readonly change: JobChange } | null;
  readonly takeOff: JobChange;
}

/** Every picture of a face: over all of it, in frames and in a pattern. One that runs on from another face is told there. */
export function picturesOn(job: Job, face: FacePlan): readonly PlacedPicture[] {
  const name = `the ${face.face.name.toLowerCase()}`;
  const laidAs = (
    { id, ppi, placement }: LaidPicture,
    key: string,
    where: string,
    place: (job: JobPlace) => { readonly zoom: Held<number> },
    takeOff: JobChange,
  ): PlacedPicture => ({
    ...{ id, ppi, key, where, takeOff },
    pixels: (placement.quarterTurns ?? 0) % 2 === 1 ? job.pictures[id]!.heightPx : job.pictures[id]!.widthPx,
    whole:
      ppi && placement.zoom > 1.001 ? { ppi: ppi * placement.zoom, change: decide((job) => place(job).zoom, 1) } : null,
  });
  const { picture, tiles } = face;
  const own = picture && picture.from === face.face.id && picture.placement.fade < 1 ? picture : null;
  const place = (job: JobPlace) => faceIn(job, face).picture;
  const tile = tiles && tiles.fade < 1 ? job.pictures[tiles.pictureId] : undefined;
  // A tile is filled without squashing: its shorter side is the tile’s.
  const across = tile ? Math.min(tile.widthPx, tile.heightPx) : 0;
  return [
    ...(own ? [laidAs(own, face.face.id, name, place, decide(place, null))] : []),
    ...(face.art.objects ?? []).flatMap((object, i) => {
      const item = face.items.find((one) => one.kind === 'picture' && one.object.id === object.id);
      if (object.kind !== 'picture' || item?.kind !== 'picture' || !item.laid) return [];
      const framed = (job: JobPlace) => faceIn(job, face).objects.at(i).picture;
      const objects = face.art.objects!.filter(({ id }) => id !== object.id);
      return [
        laidAs(
          item.laid,
          `${face.face.id}-${object.id}`,
          `${name}, in its frame`,
          framed,
          decide((job) => faceIn(job, face).objects, objects),
        ),
      ];
    }),
    ...(tile && tiles
      ? [
          {
            id: tiles.pictureId,
            ppi: tile.mime === 'image/svg+xml' ? null : (across / tiles.tileMm) * MM_PER_INCH,
            pixels: across,
            key: `${face.face.id}-pattern`,
            where: `${name}, in its pattern`,
            whole: null,
            takeOff: decide((job) => faceIn(job, face).pattern, null),
          },
        ]
      : []),
  ];
}

export function panelPicture({ piece, picture: { id, ppi, placement } }: PanelArt): PlacedPicture {
  const place = (job: JobPlace) => job.size.layers.at(piece.layer).picture;
  return {
    ...{ id, ppi, key: `panel-${piece.id}`, where: piece.name.toLowerCase() },
    pixels: ppi ? (ppi * piece.blank.widthMm) / MM_PER_INCH : 0,
    whole:
      ppi && placement.zoom > 1.001 ? { ppi: ppi * placement.zoom, change: decide((job) => place(job).zoom, 1) } : null,
    takeOff: decide(place, null),
  };
}

/** Pixels that run out. */
export function ppiSnags(job: Job, { id, ppi: exact, key, where, whole, takeOff }: PlacedPicture): readonly Snag[] {
  if (!exact) return [];
  // A page drawn at 300 to the inch and placed at its own size is out by its last half pixel.
  const ppi = Math.round(exact);
  if (ppi >= PPI.good) return [];
  const level = ppi < PPI.refuse ? 'stop' : ppi < PPI.soft ? 'warn' : 'note';
  return [
    {
      id: `art-ppi-${key}`,
      station: 'art',
      level,
      title: `${job.pictures[id]!.name} prints at ${ppi} ppi on ${where}`,
      why:
        level === 'stop'
          ? `Under ${PPI.refuse} pixels to the inch the squares show. Use a larger picture or a smaller card.`
          : `${PPI.good} looks crisp at arm’s length; this will look ${level === 'warn' ? 'soft' : 'slightly soft'}.`,
      remedies: [
        // It may still be coarse then, but no longer as coarse as this.
        ...(whole
          ? [{ label: `Show more of the picture (${Math.round(whole.ppi)} ppi)`, changes: [whole.change] }]
          : []),
        ...(level === 'stop' ? [{ label: 'Take the picture off', changes: [takeOff] }] : []),
      ],
    },
  ];
}

/** Pictures of a face whose pixels run out. */
export const pictureSnags = (job: Job, face: FacePlan): readonly Snag[] =>
  picturesOn(job, face).flatMap((picture) => ppiSnags(job, picture));
