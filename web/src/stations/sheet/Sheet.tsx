import { useCallback, useMemo, useState, type ReactNode } from 'react';
import {
  LIMITS,
  type SheetChoice,
  decideEach,
  fixed,
  apply,
  boxPath,
  correctPage,
  drawLayerSheet,
  drawSheetPage,
  evenSides,
  grow,
  IDENTITY,
  mapBox,
  pageMap,
  printSide,
  residueMm,
  plural,
  polygon,
  whitePlate,
  type Scene,
  type Shape,
  type SheetPlan,
  type SheetSide,
  type SizePlan,
} from '@zippy/core';
import { Bench } from '../../bench/Bench.tsx';
import { Turner } from '../../bench/Turner.tsx';
import { More, Slip } from '../../slip/Slip.tsx';
import { TakeAway } from '../../slip/TakeAway.tsx';
import { useJob } from '../../stores/job.ts';
import { useStandIn } from '../../stores/standIn.ts';
import { useView } from '../../stores/view/index.ts';
import { Choice } from '../../ui/Choice.tsx';
import { OnOff } from '../../ui/OnOff.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { TypedField } from '../../ui/fields/TypedField.tsx';
import { BenchButton, KeyCap, ButtonLink } from '../../ui/buttons.tsx';
import { Two } from '../../ui/ModalDialog.tsx';
import { spokenOf, type StationProps } from '../parts.ts';
import { Offcuts, SheetChoices } from './SheetChoices.tsx';

export function SheetBench({ job, plan, workshop }: StationProps): ReactNode {
  const { side: paperSide, light, turnOver, toggleLight, showSheet } = useView();
  const side: SheetSide = paperSide === 'outside' ? 'front' : 'back';
  const { sheet, size, art, stock } = plan;
  const [layerId, setLayerId] = useState<string | null>(null);
  const onStandIn = useStandIn((s) => s.on);
  const truth = useStandIn((s) => s.truth);
  const standIn = onStandIn ? truth : null;
  const paper = useMemo(
    () => ({ widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm }),
    [sheet.sheetWidthMm, sheet.sheetHeightMm],
  );
  const apartMm = standIn && residueMm(standIn, paper, job.sheet.flipEdge, sheet.calibration?.corrections ?? null);
  const draw = useCallback(
    (textMm: number): Scene => {
      const label = { title: job.brief.title, date: null, sheetNumber: sheet.named?.sheetNumber ?? 1 };
      // As drawn; or as it comes out of the stand-in printer, corrected if this path is calibrated.
      const pageOf = (which: SheetSide, from: SheetPlan): Scene => {
        const page = drawSheetPage(size, art, from, which, label);
        return standIn
          ? printSide(correctPage(page, from.calibration, which), which, paper, job.sheet.flipEdge, standIn)
          : page.scene;
      };
      const scene = pageOf(side, sheet);
      const white = sheet.white ? whitePlate(scene, '#ffffff') : null;
      const map = pageMap(sheet, side);
      const other = light ? pageOf(side === 'front' ? 'back' : 'front', { ...sheet, marks: false }) : null;
      // The other side shows through turned over, as it does against a window.
      const through = other
        ? [{ kind: 'group', transform: pageMap(sheet, 'back'), blend: 'multiply', children: other.shapes } as const]
        : [];
      return {
        box: { xMm: 0, yMm: -textMm * 2, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm + textMm * 4 },
        symbols: { ...scene.symbols, ...white?.symbols, ...(other?.symbols ?? {}) },
        shapes: [
          { kind: 'path', role: 'sheet', path: boxPath(scene.box), fill: stock.stock.colour },
          ...(art.onStock.coloured && !art.onStock.white
            ? [{ kind: 'group', transform: IDENTITY, blend: 'multiply', children: scene.shapes } as const]
            : [...(white?.shapes ?? []), ...scene.shapes]),
          ...through,
          { kind: 'path', role: 'printable', path: boxPath(mapBox(map, sheet.printable)) },
          ...(sheet.up === 0 ? misfit(size, sheet) : []),
          ...sheet.placements.map(
            ({ toSheet }) =>
              ({
                kind: 'path',
                role: 'trim',
                path: polygon(size.form.blank.outline.map((p) => apply(map, apply(toSheet, p)))),
              }) as const,
          ),
          {
            kind: 'label',
            role: 'dimension',
            text: `${side} of the sheet${sheet.sides.length === 2 ? ` · turned over ${sheet.turnOver === 'leftRight' ? 'sideways' : 'top to bottom'}` : ''}`,
            at: { xMm: sheet.sheetWidthMm / 2, yMm: sheet.sheetHeightMm + textMm * 1.5 },
            sizeMm: textMm,
            anchor: 'middle',
          },
        ],
      };
    },
    [job.brief.title, job.sheet.flipEdge, sheet, size, art, stock, side, light, standIn, paper],
  );
  const layer = sheet.layers.find(({ piece }) => piece.id === layerId);
  const drawLayer = useCallback(() => drawLayerSheet(layer!, art.panels[layer!.piece.id]), [layer, art.panels]);
  const layerPresses = sheet.layers.length > 0 && (
    <>
      <BenchButton aria-pressed={!layer} onPress={() => setLayerId(null)}>
        Card
      </BenchButton>
      {sheet.layers.map(({ piece }) => (
        <BenchButton key={piece.id} aria-pressed={layer?.piece.id === piece.id} onPress={() => setLayerId(piece.id)}>
          {piece.name}
        </BenchButton>
      ))}
    </>
  );
  if (layer)
    return (
      <Bench
        content={drawLayer().box}
        draw={drawLayer}
        pictures={job.pictures}
        unit={workshop.unit}
        label={`${layer.piece.name} on a sheet of ${layer.piece.stock.name}`}
        caption={`${layer.up} up, ${layer.sheets} ${plural(layer.sheets, 'sheet')} of ${layer.piece.stock.name}`}
        tools={layerPresses}
      />
    );
  return (
    <Bench
      content={{ xMm: 0, yMm: 0, widthMm: sheet.sheetWidthMm, heightMm: sheet.sheetHeightMm }}
      draw={draw}
      pictures={job.pictures}
      unit={workshop.unit}
      label={`The ${side} of the sheet: ${sheet.verdict}`}
      caption={
        apartMm !== null
          ? `On the stand-in printer: ${sheet.sides.length === 2 ? `front and back up to ${fixed(apartMm, 2)} mm apart, ` : ''}${sheet.calibration ? `corrected by the sheet of ${sheet.calibration.from.day}` : 'not corrected'}`
          : light
            ? 'Held to the light: front and back fall on each other'
            : undefined
      }
      tools={
        <>
          {layerPresses}
          <BenchButton onPress={turnOver}>
            Turn over <KeyCap>T</KeyCap>
          </BenchButton>
          <BenchButton onPress={toggleLight} aria-pressed={light}>
            To the light <KeyCap>L</KeyCap>
          </BenchButton>
          {sheet.passes.length > 0 && (
            <BenchButton onPress={useStandIn.getState().toggle} aria-pressed={onStandIn}>
              Stand-in printer
            </BenchButton>
          )}
          {sheet.named && (
            <Turner name="Sheet" number={sheet.named.sheetNumber} of={sheet.sheets} onChange={showSheet} />
          )}
        </>
      }
    />
  );
}

/** What does not fit, over the sheet it does not fit on, so that the eye can see by how much. */
function misfit(size: SizePlan, sheet: SheetPlan): readonly Shape[] {
  const { widthMm, heightMm } = size.form.blank;
  const trim = {
    xMm: (sheet.sheetWidthMm - widthMm) / 2,
    yMm: (sheet.sheetHeightMm - heightMm) / 2,
    widthMm,
    heightMm,
  };
  return [
    { kind: 'path', role: 'bleed', path: boxPath(grow(trim, evenSides(size.bleedMm))) },
    { kind: 'path', role: 'trim', path: boxPath(trim), fill: '#ffffff', fillOpacity: 0.7 },
  ];
}

export function SheetSlip({ job, plan, workshop }: StationProps): ReactNode {
  const change = useJob((s) => s.change);
  const { sheet } = job;
  const { unit } = workshop;
  const { cutDown } = sheet;
  const set = (part: Partial<SheetChoice>): void => change(decideEach((job) => job.sheet, part));
  const [round, setRound] = useState(0);
  const whole = { widthMm: plan.stock.stock.sheetWidthMm, heightMm: plan.stock.stock.sheetHeightMm };
  return (
    <Slip
      title="Sheet"
      part={plan.sheet}
      spoken={spokenOf(workshop)}
      after={
        <>
          <TakeAway what="sheets" format="pdf" label="Sheets to print, PDF" />
          {plan.sheet.named && <TakeAway what="sheets" format="csv" label="Who is on which sheet, CSV" />}
          {plan.sheet.layers.some(({ print }) => print) && (
            <TakeAway what="panels" format="pdf" label="Sheets of printed panels, PDF" />
          )}
          {plan.sheet.sides.length === 2 && (
            <ButtonLink href={`/workshop/printers/${job.stock.printerId}/${job.stock.pathId}`}>
              {plan.sheet.calibration ? 'Calibrate this path again' : 'Match front and back: calibrate this path'}
            </ButtonLink>
          )}
        </>
      }
    >
      <Choice
        label="Grain"
        value={sheet.grain}
        options={[
          { id: 'respect', name: 'Along the fold' },
          { id: 'ignore', name: 'Either way' },
        ]}
        onChange={(grain) => set({ grain })}
      />
      {plan.sheet.passes.length > 0 && (
        <Choice
          label="Turn the sheet over on its"
          value={sheet.flipEdge}
          options={[
            { id: 'long', name: 'Long edge' },
            { id: 'short', name: 'Short edge' },
          ]}
          onChange={(edge) => set({ flipEdge: edge })}
        />
      )}
      {plan.sheet.sides.length === 2 && plan.size.form.blank.creases.length === 0 && (
        <Choice
          label="Both sides"
          value={sheet.working ?? 'sheetwise'}
          options={[
            { id: 'sheetwise', name: 'Front, then back' },
            { id: 'workAndTurn', name: 'One plate, turned' },
          ]}
          onChange={(working) => set({ working })}
        />
      )}
      <TypedField
        key={round}
        label="Spares"
        value={sheet.spares}
        show={(n) => (n === null ? '' : String(n))}
        read={(text) => {
          if (text.trim() === '') return { ok: true, value: null };
          const n = Number(text);
          return Number.isInteger(n) && n >= LIMITS.sheet.spares.least && n <= LIMITS.sheet.spares.most
            ? { ok: true, value: n }
            : { ok: false, why: 'Spares wants a whole number, or nothing to let your spoil log decide.' };
        }}
        onCommit={(n) => {
          set({ spares: n });
          setRound(round + 1);
        }}
        hint={sheet.spares === null ? `Left empty: your spoil log says ${plan.sheet.spares}.` : undefined}
      />
      <More label={`Ways to lay it out, side by side (${plan.cut.choices.length})`}>
        <SheetChoices job={job} plan={plan} workshop={workshop} />
      </More>
      {!plan.cut.trimmer.machine && plan.sheet.up > 0 && (
        <More label={`Offcuts worth keeping (${plan.cut.offcuts.length})`}>
          <Offcuts job={job} plan={plan} workshop={workshop} />
        </More>
      )}
      <More label="Cut the sheet down, marks">
        <OnOff
          label="Print ticks and a slug outside the cards"
          value={sheet.marks}
          onChange={(on) => set({ marks: on })}
        />
        {job.size.bleedMm > 0 && (
          <OnOff
            label="Neighbours share one bleed"
            value={sheet.sharedBleed ?? false}
            onChange={(on) => set({ sharedBleed: on })}
          />
        )}
        <OnOff
          label="The sheet is cut down before printing"
          value={cutDown !== null}
          onChange={(on) => set({ cutDown: on ? whole : null })}
        />
        {cutDown && (
          <Two>
            <LengthField
              label="Width"
              mm={cutDown.widthMm}
              unit={unit}
              {...LIMITS.sheet.cutDownMm}
              onCommit={(mm) => set({ cutDown: { ...cutDown, widthMm: mm } })}
            />
            <LengthField
              label="Height"
              mm={cutDown.heightMm}
              unit={unit}
              {...LIMITS.sheet.cutDownMm}
              onCommit={(mm) => set({ cutDown: { ...cutDown, heightMm: mm } })}
            />
          </Two>
        )}
      </More>
    </Slip>
  );
}
