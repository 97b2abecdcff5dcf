import { useEffect, useMemo, type ReactNode } from 'react';
import { Navigate, useParams } from 'react-router';
import {
  WORKSHOP_LIMITS,
  cutText,
  fitRegister,
  isCalibratable,
  isUsable,
  readByEye,
  turnOf,
  sayRegister,
  type Calibration,
  type CalibrationSheet,
  type FeedPath,
  type Printer,
  type Workshop,
} from '@zippy/core';
import { useBenchKeys } from '../../keys/useKeys.ts';
import { More } from '../../slip/More.tsx';
import { Decisions, SlipPaper, Verdict } from '../../slip/parts.ts';
import { useStandIn } from '../../stores/standIn.ts';
import { useWorkshop } from '../../stores/workshop.ts';
import { useView } from '../../stores/view/index.ts';
import { DoNow } from '../../ui/buttons.tsx';
import { TopBar } from '../../ui/TopBar.tsx';
import { today } from '../../workers/planner.ts';
import { CalibrateBench } from './CalibrateBench.tsx';
import { EMPTY_DRAFT, readingsOf, useDraft } from './draft.ts';
import { History } from './History.tsx';
import { Layout } from './look.ts';
import { Readings } from './Readings.tsx';
import { ScanSheet } from './ScanSheet.tsx';
import { StandInFaults } from './StandInFaults.tsx';

/** How fine an eye reads a half-millimetre scale. */
const EYE_MM = 0.1;

export default function CalibratePage({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const { printerId, pathId } = useParams();
  const printer = workshop.printers.find((p) => p.id === printerId);
  const path = printer?.paths.find((p) => p.id === pathId);
  if (!printer || !path) return <Navigate to="/workshop" replace />;
  return <Calibrate key={`${printer.id}-${path.id}`} printer={printer} path={path} workshop={workshop} />;
}

function Calibrate({
  printer,
  path,
  workshop,
}: {
  readonly printer: Printer;
  readonly path: FeedPath;
  readonly workshop: Workshop;
}): ReactNode {
  const change = useWorkshop((s) => s.change);
  const problem = useWorkshop((s) => s.problem);
  const truth = useStandIn((s) => s.truth);
  const [draft, setDraft] = useDraft(`${printer.id}-${path.id}`);
  useBenchKeys();
  useEffect(() => useView.getState().lieFrontUp(), []);
  const stocks = workshop.stocks.filter((s) =>
    isCalibratable({ widthMm: s.sheetWidthMm, heightMm: s.sheetHeightMm }, path.marginsMm),
  );
  const stock = stocks.find((s) => s.id === draft.stockId) ?? stocks.find((s) => s.gsm <= path.heaviestGsm);
  const asked = useMemo(
    (): CalibrationSheet | null =>
      stock
        ? {
            sheet: { widthMm: stock.sheetWidthMm, heightMm: stock.sheetHeightMm },
            marginsMm: path.marginsMm,
            flipEdge: draft.flipEdge,
            about: `${printer.name}, ${path.name}, ${stock.gsm} gsm`,
            date: today(),
            unit: workshop.unit,
          }
        : null,
    [stock, path, printer, draft.flipEdge, workshop.unit],
  );
  const readings = readingsOf(draft);
  const register = asked && readings ? fitRegister(asked.sheet, path.marginsMm, readings) : null;
  if (!asked || !stock)
    return (
      <Layout>
        <TopBar />
        <p role="alert">No sheet on the shelf is large enough to calibrate with; add one in Workshop first.</p>
      </Layout>
    );
  const setPath = (calibrations: readonly Calibration[]): void =>
    void change({
      ...workshop,
      printers: workshop.printers.map((p) =>
        p.id !== printer.id ? p : { ...p, paths: p.paths.map((q) => (q.id === path.id ? { ...q, calibrations } : q)) },
      ),
    });
  const keep = (): void => {
    if (!readings) return;
    setPath([
      ...(path.calibrations ?? []),
      {
        id: crypto.randomUUID().slice(0, 8),
        day: today(),
        gsm: stock.gsm,
        sheetWidthMm: asked.sheet.widthMm,
        sheetHeightMm: asked.sheet.heightMm,
        marginsMm: path.marginsMm,
        flipEdge: draft.flipEdge,
        laidBack: cutText(draft.laidBack, WORKSHOP_LIMITS.calibration.laidBackLetters),
        readings,
        setAside: false,
      },
    ]);
    setDraft({ ...EMPTY_DRAFT, stockId: stock.id, flipEdge: draft.flipEdge, laidBack: draft.laidBack });
  };
  const missing = readings === null;
  return (
    <Layout>
      <TopBar />
      {problem && <p role="alert">{problem}</p>}
      <main>
        <CalibrateBench asked={asked} stockColour={stock.colour} />
        <SlipPaper aria-label="Calibration">
          <div className="found">
            <h1>
              {printer.name}, {path.name}
            </h1>
            <Verdict aria-live="polite">
              {register && readings
                ? sayRegister(register, readings, workshop.unit).join(' ')
                : 'Print one sheet on both sides, measure it, and every sheet after it is corrected.'}
            </Verdict>
            {register && (
              <DoNow onPress={keep}>
                {isUsable(register) && draft.arrows === 'same'
                  ? 'Keep it and correct what I print'
                  : 'Keep it as a record'}
              </DoNow>
            )}
          </div>
          <More label="Read it from two scans, without a ruler">
            <ScanSheet
              asked={asked}
              region={workshop.region}
              onRead={(read) => setDraft({ ...read, edges: read.edges! })}
            />
          </More>
          <Readings {...{ printer, path, stock, stocks, asked, draft, setDraft }} />
          {missing && <p className="how">Two rules and four crosses are wanted before anything can be said.</p>}
          <More label="Practise on the stand-in printer">
            <StandInFaults
              onRead={() => {
                const read = readByEye(truth, asked.sheet, path.marginsMm, EYE_MM, turnOf(asked.sheet, draft.flipEdge));
                setDraft({ ...read, edges: read.edges! });
              }}
            />
          </More>
          <Decisions>
            <h3>So far</h3>
            <History
              calibrations={path.calibrations ?? []}
              unit={workshop.unit}
              onSetAside={(id, setAside) =>
                setPath((path.calibrations ?? []).map((c) => (c.id === id ? { ...c, setAside } : c)))
              }
            />
          </Decisions>
        </SlipPaper>
      </main>
    </Layout>
  );
}
