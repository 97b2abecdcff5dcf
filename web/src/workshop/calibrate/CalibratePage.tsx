import { useEffect, useMemo, type ReactNode } from 'react';
import { Navigate, useParams } from 'react-router';
import styled from 'styled-components';
import {
  WORKSHOP_LIMITS,
  cutText,
  calibrationMarks,
  CROSS_NAMES,
  CROSSES,
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
import { api } from '../../api/client.ts';
import { BenchAndSlip } from '../../bench/BenchAndSlip.tsx';
import { useBenchKeys } from '../../keys/useKeys.ts';
import { Decisions, More, SlipPaper, Verdict } from '../../slip/Slip.tsx';
import { useStandIn } from '../../stores/standIn.ts';
import { useWorkshop } from '../../stores/workshop.ts';
import { useView } from '../../stores/view/index.ts';
import { Choice } from '../../ui/Choice.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { WordsField } from '../../ui/fields/WordsField.tsx';
import { DoNow, ButtonLink } from '../../ui/buttons.tsx';
import { Two } from '../../ui/ModalDialog.tsx';
import { TopBar } from '../../ui/TopBar.tsx';
import { today } from '../../workers/planner.ts';
import { CalibrateBench } from './CalibrateBench.tsx';
import { EMPTY_DRAFT, readingsOf, useDraft } from './draft.ts';
import { History } from './History.tsx';
import { ReadingField } from './ReadingField.tsx';
import { StandInFaults } from './StandInFaults.tsx';

/** How fine an eye reads a half-millimetre scale. */
const EYE_MM = 0.1;
const EDGES = [
  ['leftToTopLeftMm', 'Left edge to A'],
  ['leftToBottomLeftMm', 'Left edge to C'],
  ['topToTopLeftMm', 'Top edge to A'],
  ['topToTopRightMm', 'Top edge to B'],
] as const;

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
  const marks = calibrationMarks(asked.sheet, path.marginsMm);
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
          <Decisions>
            <h3>1 · Print it</h3>
            <Pick
              label="On"
              value={stock.id}
              onChange={(stockId) => setDraft({ stockId })}
              sections={[
                {
                  heading: null,
                  options: stocks.map((s) => ({ id: s.id, name: s.name, note: `${s.gsm} gsm`, swatch: s.colour })),
                },
              ]}
            />
            <Choice
              label="Turned over on its"
              value={draft.flipEdge}
              options={[
                { id: 'long', name: 'Long edge' },
                { id: 'short', name: 'Short edge' },
              ]}
              onChange={(flipEdge) => setDraft({ flipEdge })}
            />
            <ButtonLink
              href={api.calibrationUrl(printer.id, path.id, stock.id, draft.flipEdge)}
              download="calibration-sheet.pdf"
            >
              ↓ Calibration sheet, PDF
            </ButtonLink>
            <WordsField
              label="How you laid it back for the second side"
              value={draft.laidBack}
              onChange={(laidBack) => setDraft({ laidBack })}
              hint="Such as “printed side down, arrow towards me”. You will see it again at the printer."
            />
            <h3>2 · Measure the rules</h3>
            <Two>
              <ReadingField
                label={`Across, ${marks.ruleAcross.lengthMm} mm`}
                mm={draft.ruleAcrossMm}
                {...WORKSHOP_LIMITS.calibration.ruleMm}
                onCommit={(ruleAcrossMm) => setDraft({ ruleAcrossMm })}
              />
              <ReadingField
                label={`Down, ${marks.ruleDown.lengthMm} mm`}
                mm={draft.ruleDownMm}
                {...WORKSHOP_LIMITS.calibration.ruleMm}
                onCommit={(ruleDownMm) => setDraft({ ruleDownMm })}
              />
            </Two>
            <h3>3 · Hold it to the light</h3>
            <Choice
              label="The two arrows"
              value={draft.arrows}
              options={[
                { id: 'same', name: 'Point the same way' },
                { id: 'opposite', name: 'Are head to foot' },
              ]}
              onChange={(arrows) => setDraft({ arrows })}
            />
            <p className="how">How far the back’s cross lies from the front’s. Left and high are minus.</p>
            {CROSSES.map((cross) => (
              <Two key={cross}>
                {(['rightMm', 'lowMm'] as const).map((way) => (
                  <ReadingField
                    key={way}
                    label={`${CROSS_NAMES[cross]}, ${way === 'rightMm' ? 'right' : 'low'}`}
                    mm={draft.crosses[cross][way]}
                    {...WORKSHOP_LIMITS.calibration.missMm}
                    onCommit={(mm) =>
                      setDraft({ crosses: { ...draft.crosses, [cross]: { ...draft.crosses[cross], [way]: mm } } })
                    }
                  />
                ))}
              </Two>
            ))}
          </Decisions>
          <More label="Where the front lies on the sheet">
            <p>With these four the print is moved to the middle of the sheet too, where your first cut looks for it.</p>
            <Two>
              {EDGES.map(([id, label]) => (
                <ReadingField
                  key={id}
                  label={label}
                  mm={draft.edges[id]}
                  {...WORKSHOP_LIMITS.calibration.edgeMm}
                  onCommit={(mm) => setDraft({ edges: { ...draft.edges, [id]: mm } })}
                />
              ))}
            </Two>
          </More>
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

const Layout = styled(BenchAndSlip)`
  h3 {
    margin-top: 6px;
    padding-top: 10px;
    border-top: 1px solid ${({ theme }) => theme.colour.rule};
    font-size: 16px;
  }
  .found {
    position: sticky;
    top: -18px;
    z-index: 1;
    display: grid;
    gap: 10px;
    margin: -18px -20px 0;
    padding: 18px 20px 12px;
    border-bottom: 1px solid ${({ theme }) => theme.colour.rule};
    background: ${({ theme }) => theme.colour.paper};
  }
  .found > p {
    margin: 0;
    font-size: 17px;
  }
  .how {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 14px;
  }
`;
