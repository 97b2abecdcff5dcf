import { expect } from 'chai';
import type { FormatId } from '../../../../src/job/format.ts';
import { DEFAULTS, EMPTY_FACE } from '../../../../src/job/newJob.ts';
import type { Job, PictureRef } from '../../../../src/job/types.ts';
import { apply, compose, type Affine } from '../../../../src/ground/geometry/affine.ts';
import type { Point } from '../../../../src/ground/geometry/types.ts';
import type { Shape } from '../../../../src/ground/scene/types.ts';
import { facesOfPictures } from '../../../../src/stations/art/elsewhere/facesOfPictures.ts';
import { openPlaces, type OpenPlace } from '../../../../src/stations/art/elsewhere/openPlaces.ts';
import { drawFace } from '../../../../src/stations/art/faces/drawCard.ts';
import { viewOf } from '../../../../src/stations/size/drawBlank.ts';
import type { Plan } from '../../../../src/plan/planJob.ts';
import { jobWith, plan, sized } from '../../../support.ts';

/** Corners of every picture among some shapes, as it is drawn: its own top left first, then clockwise. */
function drawnCorners(shapes: readonly Shape[], map: Affine): readonly (readonly Point[])[] {
  return shapes.flatMap((shape) => {
    if (shape.kind === 'group') return drawnCorners(shape.children, compose(map, shape.transform));
    if (shape.kind !== 'picture') return [];
    const { xMm, yMm, widthMm, heightMm } = shape.box;
    const own = [
      [0, 0],
      [widthMm, 0],
      [widthMm, heightMm],
      [0, heightMm],
    ] as const;
    return [own.map(([x, y]) => apply(map, { xMm: xMm + x, yMm: yMm + y }))];
  });
}

describe('a picture of the open card', () => {
  const drawnOn = (place: OpenPlace, job: Job): Plan => {
    const { widthMm, heightMm } = place.box;
    const ref: PictureRef = {
      ...{ name: 'open.png', sha256: 'b'.repeat(64), mime: 'image/png' },
      ...{ widthPx: widthMm * 10, heightPx: heightMm * 10 },
    };
    return plan({
      ...job,
      pictures: { open: ref },
      art: {
        faces: {
          [place.faceId]: {
            ...EMPTY_FACE,
            picture: {
              ...{ pictureId: 'open', ...DEFAULTS.placement },
              ...{ across: place.across, quarterTurns: place.quarterTurns },
            },
          },
        },
      },
    });
  };

  const FORMATS: readonly (readonly [FormatId, number])[] = [
    ['sideFold', 2],
    ['tentFold', 2],
    ['rollFold', 2],
    ['zigzag', 2],
    ['quarterFold', 1],
  ];
  for (const [format, sides] of FORMATS)
    it(`lies over all of it, upright as the open card is seen: ${format}`, () => {
      const job = jobWith(...sized(format, 90, 120));
      const places = openPlaces(plan(job).size);
      expect(places).to.have.length(sides);
      for (const place of places) {
        const made = drawnOn(place, job);
        const faces = made.art.faces.filter(({ face }) => face.side === place.side);
        const view = viewOf(made.size, place.side);
        const { xMm, yMm, widthMm, heightMm } = place.box;
        let seen = 0;
        for (const face of faces)
          for (const corners of drawnCorners(drawFace(face), compose(view, face.face.toBlank))) {
            seen += 1;
            const wanted = [
              [xMm, yMm],
              [xMm + widthMm, yMm],
              [xMm + widthMm, yMm + heightMm],
              [xMm, yMm + heightMm],
            ] as const;
            corners.forEach((corner, i) => {
              expect(corner.xMm, `${face.face.id}, corner ${i}`).to.be.closeTo(wanted[i]![0], 1e-6);
              expect(corner.yMm, `${face.face.id}, corner ${i}`).to.be.closeTo(wanted[i]![1], 1e-6);
            });
          }
        // Every face of the side shows its part.
        expect(seen).to.equal(faces.length);
      }
    });

  it('is told from a face by its shape, and one side from the other by its name', () => {
    const { art, size } = plan(jobWith(...sized('sideFold', 105, 148)));
    const open = (name: string) => ({ name, widthPx: 2551, heightPx: 1819 });
    const opens = openPlaces(size);
    const sidesOf = (...names: string[]) =>
      facesOfPictures(names.map(open), art.faces, opens).map((place) => place.open?.side ?? null);
    expect(sidesOf('open-inside.png', 'open-outside.png')).to.deep.equal(['inside', 'outside']);
    expect(sidesOf('heron.png', 'open-outside v2.png', 'third.png')).to.deep.equal(['inside', 'outside', null]);
    // A face that has a picture of its own keeps its side for itself.
    const face = { name: 'front.png', widthPx: 1276, heightPx: 1819 };
    const places = facesOfPictures([open('open-outside.png'), face], art.faces, opens);
    expect(places.map(({ open: one, faceId }) => [one?.side ?? null, faceId])).to.deep.equal([
      [null, null],
      [null, 'front'],
    ]);
    expect(openPlaces(plan(jobWith(...sized('flat', 100, 70))).size)).to.deep.equal([]);
  });
});
