import type { ReactNode } from 'react';
import styled from 'styled-components';
import { LIMITS, ORNAMENTS, ornamentPath, pathData, type ArtObject, type LaidItem } from '@zippy/core';
import { OnOff } from '../../ui/OnOff.tsx';
import { ColourField } from '../../ui/ColourField.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { Two } from '../../ui/ModalDialog.tsx';
import type { StationProps } from '../parts.ts';
import { CodeProof } from './CodeProof.tsx';
import { CodePanel } from './CodePanel.tsx';
import { PicturePanel } from './PicturePanel.tsx';
import { InHand } from './InHand.tsx';
import type { FaceInHand } from './useFace.ts';

/** Everything about the object in hand. */
export function ObjectPanel({
  item,
  hand,
  job,
  plan,
  workshop,
}: StationProps & {
  readonly item: Exclude<LaidItem, { kind: 'text' }>;
  readonly hand: FaceInHand;
}): ReactNode {
  const { object } = item;
  const set = (part: Partial<ArtObject>, key?: string): void => hand.setObject(object.id, part, key);
  const place = (label: string, name: 'leftMm' | 'topMm' | 'widthMm' | 'heightMm', least: number): ReactNode => (
    <LengthField
      label={label}
      mm={object[name]}
      unit={workshop.unit}
      least={least}
      most={1000}
      onCommit={(mm) => set({ [name]: mm })}
    />
  );
  return (
    <InHand aria-label="Object in hand">
      {item.kind === 'picture' && (
        <PicturePanel
          placement={item.object.picture}
          onChange={(part, key) => set({ picture: { ...item.object.picture, ...part } }, key && `${key}-${object.id}`)}
        />
      )}
      {item.kind === 'code' && (
        <>
          <CodePanel item={item} hand={hand} workshop={workshop} />
          <CodeProof object={item.object} face={hand.face} job={job} paper={plan.stock.stock.colour} art={plan.art} />
        </>
      )}
      {item.kind === 'rule' && (
        <>
          <NumberField
            label="Weight, pt"
            whole={false}
            value={item.object.weightPt}
            {...LIMITS.art.ruleWeightPt}
            onCommit={(weightPt) => set({ weightPt })}
          />
          <ColourField
            label="Colour"
            value={item.object.colour}
            onChange={(colour) => colour && set({ colour }, `colour-${object.id}`)}
          />
        </>
      )}
      {item.kind === 'ornament' && (
        <>
          <Ornaments role="group" aria-label="Ornament">
            {ORNAMENTS.map(({ id: ornament, name }) => (
              <button
                key={ornament}
                type="button"
                aria-label={name}
                title={name}
                aria-pressed={ornament === item.object.ornament}
                onClick={() => set({ ornament })}
              >
                <svg viewBox="0 0 100 100" width={26} height={26} aria-hidden>
                  <path d={pathData(ornamentPath(ornament, { xMm: 0, yMm: 0, widthMm: 100, heightMm: 100 }))} />
                </svg>
              </button>
            ))}
          </Ornaments>
          <ColourField
            label="Colour"
            value={item.object.colour}
            onChange={(colour) => colour && set({ colour }, `colour-${object.id}`)}
          />
        </>
      )}
      {(item.kind === 'picture' || item.kind === 'ornament') && (
        <OnOff label="Maker’s mark" value={object.makersMark ?? false} onChange={(makersMark) => set({ makersMark })} />
      )}
      <Two>
        {place('From the left', 'leftMm', -1000)}
        {place('From the top', 'topMm', -1000)}
        {item.kind !== 'code' && place('Width', 'widthMm', 0.5)}
        {item.kind !== 'code' && place('Height', 'heightMm', 0.1)}
      </Two>
    </InHand>
  );
}

const Ornaments = styled.div`
  display: grid;
  grid-template-columns: repeat(8, 1fr);
  gap: 4px;
  button {
    display: grid;
    place-items: center;
    height: 38px;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: 6px;
    background: ${({ theme }) => theme.colour.white};
    cursor: pointer;
  }
  button[aria-pressed='true'] {
    border: 2px solid ${({ theme }) => theme.colour.slate};
  }
`;
