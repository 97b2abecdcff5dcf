import {
  adhesivesOf,
  decide,
  freshId,
  isOnFace,
  isWrapKind,
  LID_HINGES,
  LID_START,
  LIMITS,
  type LengthUnit,
  type LidHinge,
  type WrapKind,
} from '@zippy/core';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import type { LayerChoice } from '@zippy/core';
import { useJob } from '../../stores/job.ts';
import { Choice } from '../../ui/Choice.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { FieldPlace } from '../../ui/fields/TypedField.tsx';
import { PlainButton, Quiet } from '../../ui/buttons.tsx';
import { Row } from '../../ui/ModalDialog.tsx';
import { Ticks } from '../../ui/Ticks.tsx';
import { PicturePanel } from '../art/PicturePanel.tsx';
import { HeldWith } from '../HeldWith.tsx';
import { stockOptions } from '../stockOptions.ts';
import type { StationProps } from '../parts.ts';
import { WrapInputs } from './WrapInputs.tsx';
import { lightestCard } from './lightestCard.ts';
import { PanelPrint } from './PanelPrint.tsx';

const MOST_DEEP = 8;
const WRAP_NAMES: Readonly<Record<WrapKind, string>> = {
  tag: 'Tag',
  band: 'Band round the card',
  sleeve: 'Sleeve for a pack',
};

/** Mats, writing panels and inserts: what is glued on or laid in. */
export function Layers({ job, plan, workshop }: StationProps): ReactNode {
  const change = useJob((s) => s.change);
  const { layers } = job.size;
  const lightest = lightestCard(workshop.stocks);
  const takeAway = useJob((s) => s.takeAway);
  const setAll = (next: readonly LayerChoice[]): void => change([decide((job) => job.size.layers, next)]);
  const add = (kind: LayerChoice['kind']): void => {
    const inside = plan.size.faces.find((f) => f.id === 'insideBack') ?? plan.size.faces.at(-1)!;
    const first = kind === 'writing' || kind === 'lining' ? inside : plan.size.faces[0]!;
    const id = freshId(kind, layers);
    setAll([...layers, { id, kind, faces: isOnFace(kind) ? [first.id] : [], revealMm: 3, stockIds: [lightest.id] }]);
  };
  return (
    <>
      {layers.map((layer, i) =>
        layer.kind === 'popUp' ? null : (
          <FieldPlace key={layer.id} value={layer.id}>
            <OneLayer
              layer={layer}
              faces={plan.size.faces}
              pictures={job.pictures}
              print={plan.sheet.layers.find(({ piece, print }) => print && piece.layer === i)?.print ?? null}
              workshop={workshop}
              onChange={(next) => setAll(layers.map((l, k) => (k === i ? next : l)))}
              onRemove={() =>
                takeAway(
                  [
                    decide(
                      (job) => job.size.layers,
                      layers.filter((_, k) => k !== i),
                    ),
                  ],
                  'A layer is taken off.',
                )
              }
            />
          </FieldPlace>
        ),
      )}
      <Row>
        <PlainButton onPress={() => add('mat')}>+ Mat</PlainButton>
        <PlainButton onPress={() => add('writing')}>+ Writing panel</PlainButton>
        <PlainButton onPress={() => add('lining')}>+ Lining</PlainButton>
        <PlainButton onPress={() => add('lid')}>+ Lid in a rim</PlainButton>
        <PlainButton onPress={() => add('insert')}>+ Insert</PlainButton>
      </Row>
      <Row>
        <PlainButton onPress={() => add('tag')}>+ Tag</PlainButton>
        <PlainButton onPress={() => add('band')}>+ Band</PlainButton>
        <PlainButton onPress={() => add('sleeve')}>+ Sleeve for a pack</PlainButton>
      </Row>
    </>
  );
}

function OneLayer({
  layer,
  faces,
  pictures,
  print,
  workshop,
  onChange,
  onRemove,
}: {
  readonly layer: LayerChoice;
  readonly faces: StationProps['plan']['size']['faces'];
  readonly pictures: StationProps['job']['pictures'];
  /** What prints it, as it is planned. */
  readonly print: StationProps['plan']['sheet']['layers'][number]['print'];
  readonly workshop: StationProps['workshop'];
  readonly onChange: (layer: LayerChoice) => void;
  readonly onRemove: () => void;
}): ReactNode {
  const stocks = stockOptions(workshop.stocks);
  return (
    <Box aria-label={`Layer ${layer.id}`}>
      {isWrapKind(layer.kind) ? (
        <strong>{WRAP_NAMES[layer.kind]}</strong>
      ) : (
        <Choice
          label="Layer"
          value={layer.kind}
          options={[
            { id: 'mat', name: 'Mat' },
            { id: 'writing', name: 'Writing panel' },
            { id: 'lining', name: 'Lining' },
            { id: 'lid', name: 'Lid' },
            { id: 'insert', name: 'Insert' },
          ]}
          onChange={(kind) => onChange({ ...layer, kind, faces: kind === 'insert' ? [] : layer.faces })}
        />
      )}
      {isWrapKind(layer.kind) && (
        <WrapInputs kind={layer.kind} layer={layer} unit={workshop.unit} onChange={onChange} />
      )}
      {isOnFace(layer.kind) && (
        <Ticks
          label="On which faces"
          value={layer.faces}
          options={faces}
          onChange={(chosen) => onChange({ ...layer, faces: chosen })}
        />
      )}
      {!isWrapKind(layer.kind) && layer.kind !== 'lining' && (
        <LengthField
          label="Reveal all round"
          mm={layer.revealMm}
          unit={workshop.unit}
          {...LIMITS.size.revealMm}
          onCommit={(revealMm) => onChange({ ...layer, revealMm })}
        />
      )}
      {layer.kind === 'lid' && <LidInputs layer={layer} unit={workshop.unit} onChange={onChange} />}
      {layer.stockIds.map((stockId, k) => (
        <Pick
          key={k}
          label={layer.stockIds.length > 1 ? `Stock, ${k === 0 ? 'lowest' : `layer ${k + 1}`}` : 'Stock'}
          value={stockId}
          sections={[{ heading: null, options: stocks }]}
          onChange={(id) => onChange({ ...layer, stockIds: layer.stockIds.map((s, j) => (j === k ? id : s)) })}
        />
      ))}
      {layer.kind !== 'insert' && (layer.kind !== 'tag' || layer.wrap?.patch) && (
        <HeldWith
          label="Held with"
          adhesives={adhesivesOf(workshop)}
          value={layer.adhesiveId}
          onChange={(adhesiveId) => onChange({ ...layer, adhesiveId })}
        />
      )}
      <Row>
        {!isWrapKind(layer.kind) && (
          <PlainButton
            isDisabled={layer.stockIds.length >= MOST_DEEP}
            onPress={() => onChange({ ...layer, stockIds: [...layer.stockIds, layer.stockIds.at(-1)!] })}
          >
            One more inside it
          </PlainButton>
        )}
        {layer.stockIds.length > 1 && (
          <PlainButton onPress={() => onChange({ ...layer, stockIds: layer.stockIds.slice(0, -1) })}>
            One fewer
          </PlainButton>
        )}
        <PlainButton onPress={onRemove}>Take off</PlainButton>
      </Row>
      {layer.picture && (
        <>
          <Row>
            <span>Printed with {pictures[layer.picture.pictureId]?.name ?? 'a picture that is gone'}</span>
            <Quiet onPress={() => onChange({ ...layer, picture: null })}>Leave it bare</Quiet>
          </Row>
          <PanelPrint layer={layer} print={print} workshop={workshop} onChange={onChange} />
          <PicturePanel
            placement={layer.picture}
            hasInk={!layer.foil}
            onChange={(part) => onChange({ ...layer, picture: { ...layer.picture!, ...part } })}
          />
        </>
      )}
    </Box>
  );
}

const HINGE_NAMES: Readonly<Record<LidHinge, string>> = { left: 'Left', right: 'Right', top: 'Top', foot: 'Foot' };

/** How wide its rim is, and where it hangs. */
function LidInputs({
  layer,
  unit,
  onChange,
}: {
  readonly layer: LayerChoice;
  readonly unit: LengthUnit;
  readonly onChange: (layer: LayerChoice) => void;
}): ReactNode {
  const lid = { ...LID_START, ...layer.lid };
  return (
    <>
      <LengthField
        label="Rim round the lid"
        mm={lid.rimMm}
        unit={unit}
        {...LIMITS.size.rimMm}
        onCommit={(rimMm) => onChange({ ...layer, lid: { ...layer.lid, rimMm } })}
      />
      <Choice
        label="Hinge"
        value={lid.hinge}
        options={LID_HINGES.map((id) => ({ id, name: HINGE_NAMES[id] }))}
        onChange={(hinge) => onChange({ ...layer, lid: { ...layer.lid, hinge } })}
      />
    </>
  );
}

const Box = styled.section`
  display: grid;
  gap: 10px;
  padding: 12px;
  border: 1px solid ${({ theme }) => theme.colour.rule};
  border-radius: 5px;
  background: ${({ theme }) => theme.colour.white};
`;
