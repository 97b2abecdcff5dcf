import { memo, useMemo, type ReactNode } from 'react';
import {
  boxPath,
  IDENTITY,
  polygon,
  drawCutMove,
  drawEnvelopeBlank,
  drawFolded,
  drawSheetPage,
  seenPanels,
  seenSide,
  type Box,
  type Job,
  type JobBench,
  seenFace,
  type Plan,
  type Scene,
  type Shape,
  type Station,
} from '@zippy/core';
import { SceneView } from '../bench/SceneView.tsx';

/** A small live drawing of the piece at one station. */
export const Thumb = memo(function Thumb({
  station,
  plan,
  job,
  bench,
}: {
  readonly station: Station;
  readonly plan: Plan;
  readonly job: Job;
  readonly bench: JobBench | null;
}): ReactNode {
  const scene = useMemo(() => thumbScene(station, plan, job, bench), [station, plan, job, bench]);
  return <SceneView scene={scene} pictures={job.pictures} />;
});

const box = (widthMm: number, heightMm: number): Box => ({ xMm: 0, yMm: 0, widthMm, heightMm });
const path = (role: Extract<Shape, { kind: 'path' }>['role'], at: Box, fill?: string): Shape => ({
  kind: 'path',
  role,
  path: boxPath(at),
  ...(fill ? { fill } : {}),
});

function thumbScene(station: Station, plan: Plan, job: Job, bench: JobBench | null): Scene {
  const stockColour = plan.stock.stock.colour;
  const sides = {
    outside: seenSide(plan.art, 'outside', stockColour),
    inside: seenSide(plan.art, 'inside', stockColour),
  };
  const bare = { outside: [], inside: [] };
  const { coloured, white } = plan.art.onStock;
  const blend = coloured && !white ? { blend: 'multiply' as const } : {};
  switch (station) {
    case 'brief':
      return pile(
        plan.size.finishedWidthMm,
        plan.size.finishedHeightMm,
        Math.min(5, Math.max(1, Math.ceil(plan.brief.wanted / 20))),
        stockColour,
      );
    case 'size':
      return drawFolded(plan.size, { open: 0.35, stockColour, art: bare });
    case 'art': {
      const front = plan.art.faces[0]!;
      const trim = polygon(front.trimOutline);
      return {
        box: box(front.face.widthMm, front.face.heightMm),
        symbols: {},
        shapes: [
          { kind: 'path', role: 'stock', path: trim, fill: stockColour },
          {
            kind: 'group',
            transform: IDENTITY,
            clip: trim,
            children: [
              {
                kind: 'group',
                transform: IDENTITY,
                clip: polygon(front.bleedOutline),
                children: seenFace(plan.art, front, stockColour),
              },
            ],
          },
          { kind: 'path', role: 'dimension', path: trim },
        ],
      };
    }
    case 'stock':
      return pile(plan.stock.stock.sheetWidthMm, plan.stock.stock.sheetHeightMm, 3, stockColour);
    case 'sheet': {
      const { scene } = drawSheetPage(plan.size, plan.art, plan.sheet, plan.sheet.sides[0] ?? 'front', {
        title: '',
        date: null,
        sheetNumber: 1,
      });
      return {
        ...scene,
        shapes: [
          path('sheet', scene.box, stockColour),
          { kind: 'group', transform: IDENTITY, ...blend, children: scene.shapes.filter((s) => s.kind !== 'label') },
        ],
      };
    }
    case 'cut': {
      const scene = drawCutMove(plan.size, plan.sheet, plan.cut, -1, { unit: 'mm', textMm: 0, stockColour, art: [] });
      const lines = plan.cut.moves.map((move): Shape => ({
        kind: 'path',
        role: 'cut',
        path: [
          { kind: 'move', to: move.line[0] },
          { kind: 'line', to: move.line[1] },
        ],
      }));
      return { ...scene, shapes: [...scene.shapes, ...lines] };
    }
    case 'crease':
      return drawFolded(plan.size, { open: 0.2, stockColour, art: sides, prints: seenPanels(plan) });
    case 'envelope': {
      const scene = drawEnvelopeBlank(plan.envelope, 0.001, 'mm');
      return { ...scene, shapes: scene.shapes.filter((s) => s.kind !== 'label') };
    }
    case 'make':
      return tally(bench?.good ?? 0, plan.brief.wanted);
    case 'sell':
      return coin(plan.sell.margin, job.brief.purpose === 'sell');
  }
}

/** Sheets lying on one another, each a little off. */
function pile(widthMm: number, heightMm: number, count: number, colour: string): Scene {
  const off = Math.max(widthMm, heightMm) * 0.05;
  const shapes = Array.from({ length: count }, (_, i) =>
    path('sheet', { xMm: (count - 1 - i) * off, yMm: (count - 1 - i) * off, widthMm, heightMm }, colour),
  );
  return { box: box(widthMm + (count - 1) * off, heightMm + (count - 1) * off), symbols: {}, shapes };
}

/** One square for each tenth of the run, filled as cards come out good. */
function tally(good: number, wanted: number): Scene {
  const filled = Math.min(10, Math.floor((good / Math.max(1, wanted)) * 10 + 1e-9));
  const shapes = Array.from({ length: 10 }, (_, i) =>
    path(
      'sheet',
      { xMm: (i % 5) * 11, yMm: Math.floor(i / 5) * 11, widthMm: 8, heightMm: 8 },
      i < filled ? '#f2b01e' : '#fffdf8',
    ),
  );
  return { box: { xMm: -2, yMm: -2, widthMm: 56, heightMm: 23 }, symbols: {}, shapes };
}

/** A price tag with as much of it shaded as is left after cost. */
function coin(margin: number, selling: boolean): Scene {
  const kept = selling ? Math.max(0, Math.min(1, margin)) : 0;
  return {
    box: { xMm: -2, yMm: -2, widthMm: 44, heightMm: 28 },
    symbols: {},
    shapes: [
      {
        kind: 'path',
        role: 'sheet',
        path: [
          { kind: 'move', to: { xMm: 8, yMm: 0 } },
          { kind: 'line', to: { xMm: 40, yMm: 0 } },
          { kind: 'line', to: { xMm: 40, yMm: 24 } },
          { kind: 'line', to: { xMm: 8, yMm: 24 } },
          { kind: 'line', to: { xMm: 0, yMm: 12 } },
          { kind: 'close' },
        ],
      },
      ...(kept > 0 ? [path('fence', { xMm: 10, yMm: 22 - 20 * kept, widthMm: 28, heightMm: 20 * kept })] : []),
      path('dimension', { xMm: 4, yMm: 11, widthMm: 2, heightMm: 2 }, '#36454f'),
    ],
  };
}
