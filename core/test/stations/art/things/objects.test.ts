import { decide } from '../../../../src/job/decide.ts';
import { expect } from 'chai';
import fc from 'fast-check';
import decodeQR from 'qr/decode.js';
import { codeOf, codeText, withScheme } from '../../../../src/stations/art/things/code.ts';
import { codePath, QUIET_MODULES } from '../../../../src/stations/art/things/codePath.ts';
import { drawFace } from '../../../../src/stations/art/faces/drawCard.ts';
import type { FacePlan } from '../../../../src/stations/art/faces/items.ts';
import { ornamentPath } from '../../../../src/stations/art/things/ornamentPath.ts';
import { apply, compose, type Affine } from '../../../../src/ground/geometry/affine.ts';
import { boxAround } from '../../../../src/ground/geometry/box.ts';
import { flatten, signedArea } from '../../../../src/ground/geometry/polygon.ts';
import { ORNAMENTS } from '../../../../src/stations/art/things/ornaments/index.ts';
import { ORNAMENT_IDS } from '../../../../src/job/ornaments.ts';
import { type ArtObject, type FaceArt, type PictureRef } from '../../../../src/job/types.ts';
import type { Shape } from '../../../../src/ground/scene/types.ts';
import { jobWith, plan, sized, words } from '../../../support.ts';
import { runs } from '../../../runs.ts';

const boat: PictureRef = {
  name: 'boat.jpg',
  sha256: 'a'.repeat(64),
  mime: 'image/jpeg',
  widthPx: 3000,
  heightPx: 2000,
};
const placement = { pictureId: 'boat', zoom: 1, focusX: 0.5, focusY: 0.5, fade: 0, grey: false };

function facesWith(
  faces: Readonly<Record<string, Partial<FaceArt>>>,
  format: 'sideFold' | 'tentFold' | 'flat' = 'sideFold',
) {
  const job = jobWith(
    ...sized(format, 100, 70),
    decide((job) => job.pictures, { boat }),
    decide(
      (job) => job.art.faces,
      Object.fromEntries(
        Object.entries(faces).map(([id, art]) => [id, { background: null, picture: null, texts: [], ...art }]),
      ),
    ),
  );
  const { art } = plan(job);
  return (id: string): FacePlan => art.faces.find(({ face }) => face.id === id)!;
}

/** Every picture of a face with where its corners land on the blank, in order from its own top left. */
function picturesOn(face: FacePlan): readonly (readonly [number, number])[][] {
  const found: (readonly [number, number])[][] = [];
  const visit = (shapes: readonly Shape[], map: Affine): void => {
    for (const shape of shapes) {
      if (shape.kind === 'group') visit(shape.children, compose(map, shape.transform));
      if (shape.kind !== 'picture') continue;
      const { xMm, yMm, widthMm, heightMm } = shape.box;
      found.push(
        [
          [xMm, yMm],
          [xMm + widthMm, yMm],
          [xMm + widthMm, yMm + heightMm],
        ].map(([x, y]) => {
          const p = apply(map, { xMm: x!, yMm: y! });
          return [Math.round(p.xMm * 1e6) / 1e6 + 0, Math.round(p.yMm * 1e6) / 1e6 + 0] as const;
        }),
      );
    }
  };
  visit(drawFace(face), face.face.toBlank);
  return found;
}

describe('objects of a face', () => {
  it('lie from back to front as ordered; what is not named lies before, objects first', () => {
    const star: ArtObject = {
      kind: 'ornament',
      id: 'star',
      ornament: 'star',
      colour: '#a01020',
      ...{ leftMm: 1, topMm: 1, widthMm: 9, heightMm: 9 },
    };
    const rule: ArtObject = { ...star, kind: 'rule', id: 'rule', colour: '#00aa00', weightPt: 1 };
    const fills = (order?: readonly string[]): readonly string[] =>
      drawFace(
        facesWith({
          front: { objects: [star, rule], texts: [words('Ebb', { colour: '#0000bb' })], ...(order ? { order } : {}) },
        })('front'),
      ).flatMap((s) => (s.kind === 'path' ? [s.fill!] : s.kind === 'line' ? [s.colour] : []));
    expect(fills()).to.deep.equal(['#a01020', '#00aa00', '#0000bb']);
    expect(fills(['w', 'rule'])).to.deep.equal(['#0000bb', '#00aa00', '#a01020']);
    expect(fills(['gone', 'star'])[0]).to.equal('#a01020');
  });

  it('a rule is as thick as its points, in the middle of its box, along the longer side', () => {
    const rule = (widthMm: number, heightMm: number) => {
      const object: ArtObject = {
        kind: 'rule',
        id: 'r',
        colour: '#000000',
        weightPt: 72 / 25.4,
        leftMm: 5,
        topMm: 5,
        widthMm,
        heightMm,
      };
      const [shape] = drawFace(facesWith({ front: { objects: [object] } })('front'));
      if (shape?.kind !== 'path') throw new Error('no rule');
      return boxAround(flatten(shape.path)[0]!);
    };
    expect(rule(40, 5)).to.deep.equal({ xMm: 5, yMm: 7, widthMm: 40, heightMm: 1 });
    expect(rule(4, 30)).to.deep.equal({ xMm: 6.5, yMm: 5, widthMm: 1, heightMm: 30 });
  });

  it('a border at the trim reaches the bleed’s edge; one set in is as wide as asked, all round', () => {
    const ring = (widthMm: number, insetMm: number) => {
      const face = facesWith({ front: { border: { widthMm, insetMm, colour: '#112233' } } }, 'flat')('front');
      const [shape] = drawFace(face);
      if (shape?.kind !== 'path') throw new Error('no border');
      const parts = flatten(shape.path);
      return {
        outer: boxAround(parts[0]!),
        area: Math.abs(parts.reduce((sum, p) => sum + signedArea(p), 0)),
        ways: parts.map((p) => Math.sign(signedArea(p))),
      };
    };
    const bled = ring(4, 0);
    expect(bled.outer).to.deep.equal({ xMm: -3, yMm: -3, widthMm: 106, heightMm: 76 });
    // 106 × 76 less 92 × 62, the hole wound the other way so that any rule of filling leaves it open.
    expect(bled.area).to.be.closeTo(106 * 76 - 92 * 62, 1e-6);
    expect(bled.ways).to.deep.equal([1, -1]);
    expect(ring(1, 5).area).to.be.closeTo(90 * 60 - 88 * 58, 1e-6);
  });

  it('a gradient reaches both its colours in the corners it runs between, whatever its angle', () => {
    fc.assert(
      fc.property(fc.integer({ min: -180, max: 180 }), (angleDeg) => {
        const face = facesWith({ front: { gradient: { from: '#000000', to: '#ffffff', angleDeg } } }, 'flat')('front');
        const [shape] = drawFace(face);
        if (shape?.kind !== 'path' || !shape.gradient) throw new Error('no gradient');
        const { start, end } = shape.gradient;
        const [dx, dy] = [end.xMm - start.xMm, end.yMm - start.yMm];
        const at = (x: number, y: number): number =>
          ((x - start.xMm) * dx + (y - start.yMm) * dy) / (dx * dx + dy * dy);
        const corners = [at(-3, -3), at(103, -3), at(-3, 73), at(103, 73)];
        expect(Math.min(...corners)).to.be.closeTo(0, 1e-9);
        expect(Math.max(...corners)).to.be.closeTo(1, 1e-9);
      }),
      { numRuns: runs(60) },
    );
  });

  it('turns a picture by quarters and keeps its shape', () => {
    for (const quarterTurns of [0, 1, 2, 3]) {
      const [corners] = picturesOn(facesWith({ front: { picture: { ...placement, quarterTurns } } }, 'flat')('front'));
      const [a, b, c] = corners!;
      const across = Math.hypot(b![0] - a![0], b![1] - a![1]);
      const down = Math.hypot(c![0] - b![0], c![1] - b![1]);
      expect(across / down).to.be.closeTo(1.5, 1e-4);
      const turn = Math.round((Math.atan2(b![1] - a![1], b![0] - a![0]) * 2) / Math.PI);
      expect(((turn % 4) + 4) % 4).to.equal(quarterTurns);
    }
  });

  it('runs one picture over two panels: both show parts of one picture, lying once on the blank', () => {
    for (const format of ['sideFold', 'tentFold'] as const) {
      const face = facesWith(
        { front: { picture: { ...placement, across: ['back'] } }, back: { picture: { ...placement, zoom: 9 } } },
        format,
      );
      const [front, back] = [picturesOn(face('front')), picturesOn(face('back'))];
      expect(front).to.have.length(1);
      expect(back).to.deep.equal(front);
      const points = front[0]!;
      const box = boxAround(points.map(([xMm, yMm]) => ({ xMm, yMm })));
      // It covers the open blank and its bleed.
      const [w, h] = format === 'sideFold' ? [206, 76] : [106, 146];
      expect(box.widthMm).to.be.at.least(w - 1e-6);
      expect(box.heightMm).to.be.at.least(h - 1e-6);
    }
  });

  it('lets only one of two faces lead, so that they never show each other’s', () => {
    const face = facesWith({
      front: { picture: { ...placement, across: ['back'] } },
      back: { picture: { ...placement, across: ['front'] } },
    });
    const first = face('front').picture!.from;
    expect(face('back').picture!.from).to.equal(first);
    expect(picturesOn(face('front'))).to.deep.equal(picturesOn(face('back')));
  });

  it('keeps every ornament inside its box', () => {
    expect(ORNAMENTS.map(({ id }) => id)).to.deep.equal(ORNAMENT_IDS);
    for (const { id: ornament } of ORNAMENTS) {
      const points = flatten(ornamentPath(ornament, { xMm: 10, yMm: 20, widthMm: 30, heightMm: 15 })).flat();
      const box = boxAround(points);
      expect(Math.min(box.xMm - 10, box.yMm - 20), ornament).to.be.at.least(-1e-6);
      expect(Math.max(box.xMm + box.widthMm - 40, box.yMm + box.heightMm - 35), ornament).to.be.at.most(1e-6);
      expect(box.widthMm, ornament).to.be.above(10);
    }
  });
});

describe('codes', () => {
  /** Ten pixels a module, the drawn path sampled at every middle. */
  function decode(text: string): string {
    const code = codeOf({ kind: 'text', text }, 30);
    const across = code.modules.length + 2 * QUIET_MODULES;
    const size = across * 10;
    const data = new Uint8Array(size * size * 3).fill(255);
    const path = flatten(codePath(code, { xMm: 0, yMm: 0 })).map((p) => boxAround(p));
    for (const box of path) {
      const from = (mm: number): number => Math.round((mm / 30) * size);
      for (let y = from(box.yMm); y < from(box.yMm + box.heightMm); y += 1)
        for (let x = from(box.xMm); x < from(box.xMm + box.widthMm); x += 1)
          data.fill(0, (y * size + x) * 3, (y * size + x) * 3 + 3);
    }
    return decodeQR({ width: size, height: size, data });
  }

  it('are read back as they were written', () => {
    fc.assert(
      fc.property(fc.stringMatching(/^[A-Za-z0-9 .:/?=_-]{1,120}$/), (text) => {
        expect(decode(text)).to.equal(text);
      }),
      { numRuns: runs(25) },
    );
  });

  it('keep four modules of nothing all round', () => {
    const code = codeOf({ kind: 'link', url: 'https://saltmarsh.example/boats' }, 24);
    const box = boxAround(flatten(codePath(code, { xMm: 5, yMm: 7 })).flat());
    expect(box.xMm).to.be.closeTo(5 + 4 * code.moduleMm, 1e-9);
    expect(box.yMm + box.heightMm).to.be.closeTo(7 + 24 - 4 * code.moduleMm, 1e-9);
    expect(code.moduleMm).to.be.closeTo(24 / (code.modules.length + 8), 1e-12);
  });

  it('write networks and contacts in the notation that telephones read', () => {
    expect(codeText({ kind: 'wifi', network: 'Net;Loft', password: 'a:b\\c', security: 'WPA' })).to.equal(
      'WIFI:T:WPA;S:Net\\;Loft;P:a\\:b\\\\c;;',
    );
    expect(codeText({ kind: 'wifi', network: 'Quay', password: 'x', security: 'none' })).to.equal(
      'WIFI:T:nopass;S:Quay;;',
    );
    expect(
      codeText({
        kind: 'contact',
        name: 'Tove Wren',
        firm: 'Saltmarsh Lane',
        phone: '',
        email: 'tove@saltmarsh.example',
        url: '',
      }).split('\r\n'),
    ).to.deep.equal([
      'BEGIN:VCARD',
      'VERSION:3.0',
      // A name that was typed whole is given as one; in parts, telephones sort by the last.
      'N:;Tove Wren;;;',
      'FN:Tove Wren',
      'ORG:Saltmarsh Lane',
      'EMAIL:tove@saltmarsh.example',
      'END:VCARD',
    ]);
    const parts = {
      kind: 'contact',
      name: '',
      given: 'Tove',
      family: 'Wren',
      firm: '',
      phone: '',
      email: '',
      url: '',
    } as const;
    expect(codeText(parts)).to.include('\r\nN:Wren;Tove;;;\r\nFN:Tove Wren\r\n');
    // What lacks its scheme is offered one; what is no link, or has one, is left alone.
    expect(['saltmarsh.example/boats', ' boats.example ', 'boats.example:8080/x'].map(withScheme)).to.deep.equal([
      'https://saltmarsh.example/boats',
      'https://boats.example',
      'https://boats.example:8080/x',
    ]);
    expect(['https://a.example', 'mailto:a@b.example', 'tel:123', 'just words', ''].map(withScheme)).to.deep.equal(
      Array.from({ length: 5 }, () => null),
    );
    expect(codeOf({ kind: 'link', url: '  ' }, 20).modules).to.have.length(0);
  });
});
