import { useEffect, useMemo, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import {
  SHARED_LIMITS,
  CAUTIONS,
  isSamePaper,
  OWN_JOB,
  ownPiece,
  type OwnPiece,
  type SharedPiece,
  type Stock,
  sayMoney,
  sidesOf,
  uprightGrain,
  type MixedOrder,
  type Workshop,
} from '@zippy/core';
import { Ground, Middle } from '../bench/Bench.tsx';
import { BenchAndSlip } from '../bench/BenchAndSlip.tsx';
import { useBenchKeys } from '../keys/useKeys.ts';
import { Decisions, More, SlipPaper, Verdict } from '../slip/Slip.tsx';
import { Caution, StepList } from '../stations/Stepper.tsx';
import { kept } from '../stores/local.ts';
import { useView } from '../stores/view/index.ts';
import { Choice, OnOff, Pick } from '../ui/Choose.tsx';
import { LengthField } from '../ui/Field.tsx';
import { DoNow, PlainButton } from '../ui/buttons.tsx';
import { TopBar } from '../ui/TopBar.tsx';
import { PieceList } from './PieceList.tsx';
import { PatternList } from './PatternList.tsx';
import { movesOf, SharedBench } from './SharedBench.tsx';
import { sayShared } from './sayShared.ts';
import { SharedPdf } from './SharedPdf.tsx';
import { OwnPieces } from './OwnPieces.tsx';
import { useSharedJobs } from './useSharedJobs.ts';
import { useSharedPlan } from './useSharedPlan.ts';

/** What the maker chose here; kept in this browser, because it belongs to no one job. */
interface SharedChoice {
  readonly counts: Readonly<Record<string, number>>;
  /** Pieces that belong to no job. */
  readonly own: readonly OwnPiece[];
  readonly stockIds: readonly string[];
  readonly feed: string;
  /** Each piece on its own job’s paper, or on any that is ticked. */
  readonly paper: 'own' | 'any';
  readonly goal: 'sheets' | 'cost';
  readonly grain: 'respect' | 'ignore';
  readonly flipEdge: 'long' | 'short';
  /** Null leaves both bleeds between neighbours. */
  readonly gutterMm: number | null;
  readonly trimmerId: string;
}
const KEPT = 'shared-sheets';

/** Pieces of several jobs on the fewest sheets, or the cheapest. */
export default function SharedPage({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const feeds = workshop.printers.flatMap((printer) =>
    printer.paths.map((path) => ({
      id: `${printer.id}/${path.id}`,
      name: `${printer.name}, ${path.name}`,
      path,
      feed: { printerId: printer.id, pathId: path.id },
    })),
  );
  const [choice, setChoice] = useState<SharedChoice>({
    counts: {},
    own: [],
    stockIds: [],
    feed: feeds[0]!.id,
    paper: 'own',
    goal: 'sheets',
    grain: 'respect',
    flipEdge: 'long',
    gutterMm: null,
    trimmerId: workshop.trimmers[0]!.id,
  });
  const set = (part: Partial<SharedChoice> | ((before: SharedChoice) => Partial<SharedChoice>)): void =>
    setChoice((before) => {
      const next = { ...before, ...(typeof part === 'function' ? part(before) : part) };
      void kept.set(KEPT, next);
      return next;
    });
  useEffect(() => {
    let here = true;
    void kept
      .get<SharedChoice>(KEPT)
      .then((found) => found && here && setChoice((before) => ({ ...before, ...found })));
    useView.getState().lieFrontUp();
    return () => {
      here = false;
    };
  }, []);
  useBenchKeys();
  const { pieces, pictures, problem } = useSharedJobs(workshop, choice.grain);
  const solver = useSharedPlan();
  const [shown, setShown] = useState(0);
  const { path, feed } = feeds.find(({ id }) => id === choice.feed) ?? feeds[0]!;
  const all = useMemo(() => [...(pieces ?? []), ...choice.own.map(ownPiece)], [pieces, choice.own]);
  const chosen = all.filter(({ id, jobId }) => jobId === OWN_JOB || choice.counts[id] !== undefined);
  // Sheets that a chosen piece would be cut from anyway are there to begin with.
  const stocks = workshop.stocks.filter(
    (s) =>
      choice.stockIds.includes(s.id) ||
      (choice.stockIds.length === 0 && chosen.some((piece) => piece.stockId === s.id)),
  );
  const bleedMm = Math.max(0, ...chosen.map((piece) => piece.bleedMm));
  const gutterMm = choice.gutterMm ?? 2 * bleedMm;
  const turning = { sides: sidesOf(chosen), flipEdge: choice.flipEdge };
  const order: MixedOrder = {
    sheets: stocks.map((stock) => uprightGrain(stock, path.marginsMm, choice.goal, turning)),
    bleedMm,
    gutterMm,
    pieces: chosen.map(({ id, widthMm, heightMm, mayTurn, stockId, wanted }) => ({
      ...(choice.paper === 'own' ? { sheetIds: papersFor(stockId, stocks, workshop) } : {}),
      id,
      widthMm,
      heightMm,
      mayTurn,
      wanted: choice.counts[id] ?? wanted,
    })),
  };
  const { plan, state } = solver;
  // What is shown belongs to what was asked; a changed order shows nothing until it is laid out again.
  const asked = JSON.stringify(solver.order) === JSON.stringify(order);
  const current = asked ? plan : null;
  const pattern = current?.patterns[Math.min(shown, current.patterns.length - 1)];
  const sheet = pattern && solver.order?.sheets.find(({ id }) => id === pattern.sheetId);
  const stock = pattern && workshop.stocks.find(({ id }) => id === pattern.sheetId);
  const trimmers = workshop.trimmers.filter((t) => !t.machine);
  const trimmer = trimmers.find((t) => t.id === choice.trimmerId) ?? trimmers[0]!;
  const moves = useMemo(
    () => (pattern && sheet && stock ? movesOf(pattern, sheet, gutterMm, all, stock, trimmer, workshop) : []),
    [pattern, sheet, gutterMm, all, stock, trimmer, workshop],
  );
  const { step } = useView();
  const ready = chosen.length > 0 && stocks.length > 0;
  return (
    <Layout>
      <TopBar />
      <main>
        {pattern && sheet && stock ? (
          <SharedBench
            pattern={pattern}
            sheet={sheet}
            stock={stock}
            pieces={all}
            pictures={pictures}
            moves={moves}
            flipEdge={choice.flipEdge}
            workshop={workshop}
            number={current.patterns.indexOf(pattern) + 1}
            of={current.patterns.length}
          />
        ) : (
          <Ground aria-label="Bench">
            <Middle>
              <Empty>
                {state === 'seeking'
                  ? 'Laying the pieces out …'
                  : 'Tick what is to be cut together: cards of one job and tags of another, mats beside envelopes. Then lay them out.'}
              </Empty>
            </Middle>
          </Ground>
        )}
        <SlipPaper aria-label="Shared sheets: decisions">
          <h1>Shared sheets</h1>
          <Verdict aria-live="polite">
            {problem ??
              (solver.problem && named(solver.problem, chosen)) ??
              sayShared(current, state, order, choice.goal, workshop)}
          </Verdict>
          {state === 'seeking' ? (
            <PlainButton onPress={solver.stop}>{plan ? 'Enough: keep the best so far' : 'Stop'}</PlainButton>
          ) : (
            <DoNow
              isDisabled={!ready}
              onPress={() => {
                setShown(0);
                useView.getState().lieFrontUp();
                solver.seek(order);
              }}
            >
              Lay them out
            </DoNow>
          )}
          {current && (
            <>
              <PatternList
                patterns={current.patterns}
                pieces={chosen}
                workshop={workshop}
                shown={current.patterns.indexOf(pattern!)}
                onShow={(i) => {
                  setShown(i);
                  useView.getState().goToStep(0);
                }}
              />
              {state !== 'seeking' && (
                <SharedPdf
                  order={{
                    jobIds: [...new Set(chosen.map((piece) => piece.jobId))].filter((id) => id !== OWN_JOB),
                    own: choice.own,
                    feed,
                    sheets: order.sheets,
                    patterns: current.patterns,
                    flipEdge: choice.flipEdge,
                    grain: choice.grain,
                  }}
                />
              )}
              <More label={`Cut sheet ${current.patterns.indexOf(pattern!) + 1} apart, ${moves.length} moves`}>
                <Caution role="note">{CAUTIONS[trimmer.kind]}</Caution>
                <StepList aria-label="Cutting moves">
                  {moves.map((move, i) => (
                    <li key={move.number}>
                      <button
                        type="button"
                        aria-current={useView.getState().onSheet && i === step ? 'step' : undefined}
                        onClick={() => {
                          const { goToStep, showOnSheet } = useView.getState();
                          showOnSheet(true);
                          goToStep(i);
                        }}
                      >
                        <span className="n">{move.number}</span>
                        <span className="turn">{move.turn}</span>
                        <span className="text">{move.text}</span>
                      </button>
                    </li>
                  ))}
                </StepList>
                {chosen
                  .filter(({ id, after }) => after?.length && pattern!.placements.some((p) => p.id === id))
                  .map(({ id, name, after }) => (
                    <p key={id}>
                      <b>{name}:</b> {after!.join(' ')}
                    </p>
                  ))}
              </More>
            </>
          )}
          <Decisions>
            <h2>Pieces</h2>
            {pieces === null ? (
              <p>Looking through the drawers …</p>
            ) : (
              <PieceList
                pieces={pieces}
                counts={choice.counts}
                workshop={workshop}
                onChange={(id, wanted) =>
                  set(({ counts }) => {
                    const { [id]: _gone, ...rest } = counts;
                    return { counts: wanted === null ? rest : { ...rest, [id]: wanted } };
                  })
                }
              />
            )}
            <OwnPieces own={choice.own} workshop={workshop} onChange={(own) => set({ own })} />
            <h2>Sheets to cut from</h2>
            {workshop.stocks.map((s) => (
              <OnOff
                key={s.id}
                label={`${s.name}${s.sheetPriceMinor > 0 ? `, ${sayMoney(s.sheetPriceMinor, workshop.currency)}` : `, ${s.onShelf} left over`}`}
                value={stocks.includes(s)}
                onChange={(on) => {
                  const ids = stocks.map(({ id }) => id);
                  set({ stockIds: on ? [...ids, s.id] : ids.filter((id) => id !== s.id) });
                }}
              />
            ))}
            <Choice
              label="Each piece is cut from"
              value={choice.paper}
              options={[
                { id: 'own', name: 'Its own job’s paper' },
                { id: 'any', name: 'Any of these' },
              ]}
              onChange={(paper) => set({ paper })}
            />
            <Choice
              label="Aim for"
              value={choice.goal}
              options={[
                { id: 'sheets', name: 'The fewest sheets' },
                { id: 'cost', name: 'The least cost' },
              ]}
              onChange={(goal) => set({ goal })}
            />
          </Decisions>
          <More label="Printer, grain, gutter, trimmer">
            <Pick
              label="Printed by"
              value={choice.feed}
              onChange={(feed) => set({ feed })}
              sections={[{ heading: null, options: feeds.map(({ id, name }) => ({ id, name })) }]}
            />
            <Choice
              label="Grain"
              value={choice.grain}
              options={[
                { id: 'respect', name: 'Along the folds' },
                { id: 'ignore', name: 'Either way' },
              ]}
              onChange={(grain) => set({ grain })}
            />
            <Choice
              label="Turn the sheet over on its"
              value={choice.flipEdge}
              options={[
                { id: 'long', name: 'Long edge' },
                { id: 'short', name: 'Short edge' },
              ]}
              onChange={(flipEdge) => set({ flipEdge })}
            />
            <LengthField
              label="Between neighbouring trims"
              mm={gutterMm}
              unit={workshop.unit}
              {...SHARED_LIMITS.own.gutterMm}
              onCommit={(mm) => set({ gutterMm: mm })}
              hint={choice.gutterMm === null ? 'Both bleeds, so no art of one shows on the other.' : undefined}
            />
            <Pick
              label="Cut with"
              value={trimmer.id}
              onChange={(trimmerId) => set({ trimmerId })}
              sections={[{ heading: null, options: trimmers.map(({ id, name }) => ({ id, name })) }]}
            />
          </More>
        </SlipPaper>
      </main>
    </Layout>
  );
}

const papersFor = (stockId: string, stocks: readonly Stock[], workshop: Workshop): readonly string[] => {
  const own = workshop.stocks.find((s) => s.id === stockId);
  return stocks.filter((s) => own && isSamePaper(own, s)).map((s) => s.id);
};

/** The solver knows pieces by their ids; makers know them by name. */
const named = (sentence: string, pieces: readonly SharedPiece[]): string =>
  pieces.reduce((text, { id, name }) => text.replaceAll(`piece ${id} `, `${name} `), sentence);

const Empty = styled.p`
  max-width: 440px;
  margin: auto;
  padding: 24px;
  color: ${({ theme }) => theme.colour.onSlate};
  font-size: 18px;
  line-height: 1.4;
  text-align: center;
`;
const Layout = styled(BenchAndSlip)`
  aside h2 {
    margin-top: 6px;
    padding-top: 10px;
    border-top: 1px solid ${({ theme }) => theme.colour.rule};
    color: ${({ theme }) => theme.colour.ink};
    font-size: 16px;
  }
`;
