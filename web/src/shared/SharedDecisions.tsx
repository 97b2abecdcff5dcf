import type { ReactNode } from 'react';
import {
  formatSize,
  SHARED_LIMITS,
  sayMoney,
  sheetPriceOf,
  type SharedPiece,
  type Stock,
  type Trimmer,
  type Workshop,
} from '@zippy/core';
import { More } from '../slip/More.tsx';
import { PlainButton } from '../ui/buttons.tsx';
import { offcutsBeside, sharedStocks } from './sharedOrder.ts';
import { Decisions } from '../slip/parts.ts';
import { Choice } from '../ui/Choice.tsx';
import { LengthField } from '../ui/fields/LengthField.tsx';
import { OnOff } from '../ui/OnOff.tsx';
import { Pick } from '../ui/Pick.tsx';
import { OwnPieces } from './OwnPieces.tsx';
import { PieceList } from './PieceList.tsx';
import { feedsOf, type SetShared, type SharedChoice } from './useSharedChoice.ts';

/** What is cut together, from which sheets, and with what in view. */
export function SharedDecisions({
  pieces,
  choice,
  set,
  stocks,
  gutterMm,
  trimmers,
  trimmer,
  workshop,
}: {
  /** Null while they are looked up. */
  readonly pieces: readonly SharedPiece[] | null;
  readonly choice: SharedChoice;
  readonly set: SetShared;
  readonly stocks: readonly Stock[];
  readonly gutterMm: number;
  readonly trimmers: readonly Trimmer[];
  readonly trimmer: Trimmer;
  readonly workshop: Workshop;
}): ReactNode {
  const offcuts = offcutsBeside(stocks, workshop);
  return (
    <>
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
        {offcuts.length > 0 && (
          <PlainButton onPress={() => set({ stockIds: [...stocks, ...offcuts].map(({ id }) => id), goal: 'cost' })}>
            Offcuts first:{' '}
            {offcuts
              .map((one) => `${one.onShelf} × ${formatSize(one.sheetWidthMm, one.sheetHeightMm, workshop.unit)}`)
              .join(', ')}
          </PlainButton>
        )}
        {sharedStocks(workshop).map((s) => (
          <OnOff
            key={s.id}
            label={`${s.name}${sheetPriceOf(s) > 0 ? `, ${sayMoney(sheetPriceOf(s), workshop)}` : `, ${s.onShelf} left over`}`}
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
          sections={[{ heading: null, options: feedsOf(workshop).map(({ id, name }) => ({ id, name })) }]}
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
    </>
  );
}
