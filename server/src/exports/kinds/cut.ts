import {
  capital,
  drawCutAndCrease,
  drawMachineFile,
  drawOnMachine,
  fixed,
  formatLength,
  setFence,
  type CutMove,
  type MakeStep,
} from '@zippy/core';
import { ExportRefused, type Draft, type Exporter, type ExportInput } from '../types.ts';

/** Cuts and creases for a machine or another program, or the list of settings for hands. */
export const cut: Exporter<'svg' | 'dxf' | 'csv'> = (input, format, name): readonly Draft[] => {
  const { job, plan } = input;
  if (plan.sheet.up === 0)
    throw new ExportRefused(
      'No card fits on the sheet, so there is nothing to cut: apply one of the remedies at Sheet first.',
    );
  if (format === 'csv') return [settings(input, name)];
  const { machine } = plan.cut;
  return [
    {
      kind: 'drawing',
      stem: `${name}-${machine ? 'machine' : 'cut-crease'}`,
      title: `${job.brief.title}: cut and crease`,
      // A machine follows every line on its cut layer, so its file holds outlines and nothing to be cut away.
      scene: machine ? drawMachineFile(plan.size, plan.sheet) : drawCutAndCrease(plan.size, plan.sheet, plan.cut),
      layers: true,
    },
    ...otherSheets(input, name),
  ];
};

/** What a machine cuts besides the cards: a file for each kind of sheet. */
function otherSheets(
  {
    job,
    plan: {
      cut: { layers },
      envelope,
    },
  }: ExportInput,
  name: string,
): readonly Draft[] {
  const { liner } = envelope;
  const pieces = [
    ...layers.map(({ name: what, machine }, i) => ({ id: `layer-${i + 1}`, what, machine })),
    ...(envelope.made ? [{ id: 'envelope', what: 'envelope', machine: envelope.cuts.machine }] : []),
    ...(liner ? [{ id: 'liner', what: 'liner', machine: liner.cuts.machine }] : []),
  ];
  return pieces.flatMap(({ id, what, machine }): readonly Draft[] =>
    machine
      ? [
          {
            ...{ kind: 'drawing', stem: `${name}-machine-${id}`, title: `${job.brief.title}: ${what}`, layers: true },
            scene: drawOnMachine(machine.on),
          },
        ]
      : [],
  );
}

/** A length for people and for sums: as the maker measures, and in millimetres with a point. */
const mm = (value: number): string => fixed(value, 2);

/** Cuts and creases in the order of the bench’s own steps, whoever makes them. */
function settings(input: ExportInput, name: string): Draft {
  const rows = input.plan.make.steps.flatMap((step) => rowsOf(step, input));
  if (rows.length === 0)
    throw new ExportRefused('There is nothing to cut or crease, so there is no list of settings to write.');
  return {
    kind: 'table',
    stem: `${name}-settings`,
    columns: ['step', 'turn', 'set to, mm', 'set to', 'edge at the fence or stop', 'strokes or passes', 'what to do'],
    rows,
  };
}

type Row = readonly (string | number)[];

/** What a step sets, in the columns of the table; none where it sets nothing. */
function rowsOf(step: MakeStep, { plan, workshop }: ExportInput): readonly Row[] {
  const { unit } = workshop;
  const cutRow = (what: string, { turn, fenceMm, atFence, strokes, text, how }: CutMove): Row => {
    const { setMm, says } = setFence(fenceMm, plan.cut.trimmer, workshop);
    return [
      what,
      turn,
      mm(setMm),
      formatLength(setMm, unit),
      atFence,
      strokes,
      says ? `${how} ${capital(says)}` : text,
    ];
  };
  switch (step.kind) {
    case 'cut': {
      const move = plan.cut.moves[step.move]!;
      return [cutRow(`cut ${move.number}`, move)];
    }
    case 'layer': {
      const cuts = step.plate === null ? plan.cut.layers.find(({ pieceId }) => pieceId === step.pieceId) : undefined;
      return cuts ? cuts.moves.map((move) => cutRow(`${cuts.name.toLowerCase()}, cut ${move.number}`, move)) : [];
    }
    case 'crease': {
      const { number, turn, fromStopMm, edgeAtStop, passes, text, isByRule } = plan.crease.lines[step.line]!;
      const [at, said, edge] = isByRule ? ['', '', ''] : [mm(fromStopMm), formatLength(fromStopMm, unit), edgeAtStop];
      return [[`crease ${number}`, turn, at, said, edge, passes, text]];
    }
    case 'envelope':
      return step.work === 'cut'
        ? [
            ...plan.envelope.cuts.moves.map((move) => cutRow(`envelope, cut ${move.number}`, move)),
            ...(plan.envelope.cuts.corners.length > 0 || plan.envelope.cuts.machine
              ? [['envelope', '', '', '', '', '', step.detail]]
              : []),
          ]
        : [];
    case 'outline':
      return [[step.title.toLowerCase(), '', '', step.big, '', '', step.detail]];
    case 'machine':
      return [['machine', '', '', '', '', plan.cut.machine!.passes, step.detail]];
    default:
      return [];
  }
}
