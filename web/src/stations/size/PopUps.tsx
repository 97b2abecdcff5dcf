import {
  adhesivesOf,
  capital,
  isCutFromCard,
  isSeenBehind,
  isTraced,
  decide,
  formatLength,
  freshId,
  MECHANISMS,
  mechanismOf,
  popUpOf,
  POP_UP_STARTS,
  type LayerChoice,
  type MechanismId,
  type PopUp,
  type PopUpInput,
  type PopUpPlace,
} from '@zippy/core';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { useJob } from '../../stores/job.ts';
import { useView } from '../../stores/view/index.ts';
import { Pick } from '../../ui/Pick.tsx';
import { FieldPlace } from '../../ui/fields/TypedField.tsx';
import { PlainButton } from '../../ui/buttons.tsx';
import { Row, Two } from '../../ui/ModalDialog.tsx';
import { CutRound } from './CutRound.tsx';
import { HeldWith } from '../HeldWith.tsx';
import { stockOptions } from '../stockOptions.ts';
import type { StationProps } from '../parts.ts';
import { lightestCard } from './lightestCard.ts';
import { Measure } from './PopUpMeasure.tsx';
import { PrintPick } from './PrintPick.tsx';

/** Half open is where most of them are seen best. */
const LOOKED_AT_OPEN = 0.5;

/** What moves as the card opens: mechanisms over the fold, and what stands on them. */
export function PopUps(props: StationProps): ReactNode {
  const { job, workshop } = props;
  const change = useJob((s) => s.change);
  const takeAway = useJob((s) => s.takeAway);
  const { showFolded, openTo, popUpInHand, takePopUp } = useView();
  const { layers } = job.size;
  const setAll = (next: readonly LayerChoice[], under?: string): void =>
    change([decide((at) => at.size.layers, next)], under);
  const add = (mechanism: MechanismId): void => {
    const id = freshId('popUp', layers);
    const lightest = lightestCard(workshop.stocks, mechanism === 'fan' ? 0 : undefined);
    const popUp = { mechanism, ...standsOn(mechanism, props) };
    setAll([...layers, { id, kind: 'popUp', faces: [], revealMm: 0, stockIds: [lightest.id], popUp }]);
    takePopUp(id);
    showFolded(true);
    openTo(LOOKED_AT_OPEN);
  };
  return (
    <>
      {layers.map((layer, i) =>
        layer.kind === 'popUp' ? (
          <FieldPlace key={layer.id} value={layer.id}>
            <InHandPress
              aria-expanded={popUpInHand === layer.id}
              onPress={() => takePopUp(popUpInHand === layer.id ? null : layer.id)}
            >
              <span aria-hidden>{popUpInHand === layer.id ? '▾' : '▸'}</span>
              {nameOf(props, layer)}
            </InHandPress>
            {popUpInHand === layer.id && (
              <OnePopUp
                {...props}
                layer={layer}
                onChange={(next, under) =>
                  setAll(
                    layers.map((l, k) => (k === i ? next : l)),
                    under,
                  )
                }
                onRemove={() =>
                  takeAway(
                    [
                      decide(
                        (at) => at.size.layers,
                        layers.filter((_, k) => k !== i),
                      ),
                    ],
                    'A pop-up is taken off.',
                  )
                }
              />
            )}
          </FieldPlace>
        ) : null,
      )}
      <Pick
        label="Add a mechanism"
        value={null}
        placeholder="Choose how it moves"
        onChange={(id) => add(id as MechanismId)}
        sections={[
          { heading: null, options: MECHANISMS.map(({ id, name, says, mark }) => ({ id, name, says, mark })) },
        ]}
      />
    </>
  );
}

/** As the plan calls it; as its mechanism where it could not be made. */
const nameOf = ({ plan }: StationProps, layer: LayerChoice): string =>
  plan.size.popUps?.order.find(({ layerId }) => layerId === layer.id)?.name ??
  mechanismOf(popUpOf(layer).mechanism).name;

/** A strap goes to the last lid there is, so that it has something to lift; a figure stands on the last thing that rises. */
function standsOn(mechanism: MechanismId, { plan, job }: StationProps): Partial<PopUp> {
  const places = plan.size.popUps?.places ?? [];
  const lastOf = (fits: (of: MechanismId) => boolean): PopUpPlace | null => {
    const layer = job.size.layers.findLast((one) => one.kind === 'popUp' && fits(popUpOf(one).mechanism));
    const seat = places.find(({ layerId }) => layerId === layer?.id)?.seats[0];
    return layer && seat ? { layerId: layer.id, at: seat.id } : null;
  };
  if (mechanism === 'pull') {
    const lid = lastOf((of) => of === 'lid');
    return lid ? { to: lid } : {};
  }
  const carrier = mechanism === 'figure' ? lastOf((of) => mechanismOf(of).sits === 'gutter' && of !== 'fan') : null;
  return carrier ? { on: carrier } : {};
}

/** How a place is asked for. */
const PLACED = { gutter: 'Over', seat: 'Glued to', seats: 'One end glued to' } as const;

/** A place as an option of a list. */
const optionId = ({ layerId, at }: PopUpPlace): string => JSON.stringify([layerId, at]);

/** Every place of a kind that others offer, the card’s own first. */
const placesIn = (
  { plan }: Pick<StationProps, 'plan'>,
  kind: 'gutters' | 'seats',
  butLayer: string,
): readonly { readonly id: string; readonly name: string; readonly place: PopUpPlace }[] =>
  (plan.size.popUps?.places ?? [])
    .filter(({ layerId }) => layerId !== butLayer)
    .flatMap(({ layerId, name, [kind]: own }) =>
      own.map((one) => {
        const place = { layerId, at: one.id };
        return {
          ...{ id: optionId(place), place },
          name: layerId === null ? capital(one.name) : `${name}: ${one.name.toLowerCase()}`,
        };
      }),
    );

function OnePopUp({
  plan,
  job,
  workshop,
  layer,
  onChange,
  onRemove,
}: StationProps & {
  readonly layer: LayerChoice;
  /** Changes under one name in a row are taken back as one. */
  readonly onChange: (layer: LayerChoice, under?: string) => void;
  readonly onRemove: () => void;
}): ReactNode {
  const popUp = popUpOf(layer);
  const mechanism = mechanismOf(popUp.mechanism);
  const set = (part: Partial<PopUp>, under?: string): void =>
    onChange({ ...layer, popUp: { mechanism: popUp.mechanism, ...layer.popUp, ...part } }, under);
  const places = placesIn({ plan }, mechanism.sits === 'gutter' ? 'gutters' : 'seats', layer.id);
  const placeOf = (id: string): PopUpPlace => places.find((one) => one.id === id)!.place;
  const pictures = Object.entries(job.pictures).map(([id, { name }]) => ({ id, name }));
  const partIds = plan.size.popUps?.order.find(({ layerId }) => layerId === layer.id)?.partIds ?? [];
  const band = plan.size.popUps?.bands.find(({ id }) => partIds.includes(id));
  const worked = band ? formatLength(band.longMm, workshop.unit) : null;
  const inputs = mechanism.inputs.filter(({ when }) => when?.(popUp) ?? true);
  const isLong = ({ kind }: PopUpInput): boolean => kind === 'choice' || kind === 'path';
  return (
    <Box aria-label={`Pop-up ${layer.id}`}>
      <Pick
        label="Mechanism"
        value={popUp.mechanism}
        sections={[
          { heading: null, options: MECHANISMS.map(({ id, name, says, mark }) => ({ id, name, says, mark })) },
        ]}
        onChange={(id) => {
          const next = id as MechanismId;
          const sameSite = mechanismOf(next).sits === mechanism.sits;
          // What was asked of the other waits until it is wanted again.
          onChange({
            ...layer,
            popUp: { ...layer.popUp, mechanism: next, on: sameSite ? popUp.on : POP_UP_STARTS[next].on },
          });
        }}
      />
      {places.length > 0 && (
        <Pick
          label={mechanism.placed ?? PLACED[mechanism.sits]}
          value={optionId(popUp.on)}
          sections={[{ heading: null, options: places }]}
          onChange={(id) => set({ on: placeOf(id) })}
        />
      )}
      {mechanism.sits === 'seats' && (
        <Pick
          label="Other end glued to"
          value={optionId(popUp.to)}
          sections={[{ heading: null, options: places }]}
          onChange={(id) => set({ to: placeOf(id) })}
        />
      )}
      <Two>
        {inputs
          .filter((input) => !isLong(input))
          .map((input) => (
            <Measure key={input.id} {...{ input, popUp, worked }} unit={workshop.unit} onChange={set} />
          ))}
      </Two>
      {inputs.filter(isLong).map((input) => (
        <Measure key={input.id} {...{ input, popUp, worked }} unit={workshop.unit} onChange={set} />
      ))}
      {!isCutFromCard(popUp.mechanism) && (
        <>
          <Pick
            label="Stock"
            value={layer.stockIds[0]!}
            sections={[{ heading: null, options: stockOptions(workshop.stocks) }]}
            onChange={(id) => onChange({ ...layer, stockIds: [id] })}
          />
          {pictures.length > 0 && (
            <PrintPick
              label="Printed with"
              pictures={pictures}
              value={layer.picture}
              onChange={(picture) =>
                onChange({
                  ...layer,
                  // An outline that was drawn round one picture is none of another.
                  ...(isTraced(popUp) ? { popUp: { ...layer.popUp, shape: 'box', pathIn: 'itsBox' } } : {}),
                  picture,
                })
              }
            />
          )}
          {layer.picture && isSeenBehind(popUp.mechanism) && (
            <PrintPick
              label="Printed behind with"
              pictures={pictures}
              value={layer.backPicture}
              onChange={(backPicture) => onChange({ ...layer, backPicture })}
            />
          )}
          {popUp.mechanism === 'figure' && layer.picture && job.pictures[layer.picture.pictureId] && (
            <CutRound popUp={popUp} picture={job.pictures[layer.picture.pictureId]!} onTraced={set} />
          )}
          <HeldWith
            label="Held with"
            adhesives={adhesivesOf(workshop)}
            value={layer.adhesiveId}
            onChange={(adhesiveId) => onChange({ ...layer, adhesiveId })}
          />
        </>
      )}
      <Row>
        <PlainButton onPress={onRemove}>Take off</PlainButton>
      </Row>
    </Box>
  );
}

const InHandPress = styled(PlainButton)`
  display: flex;
  gap: 8px;
  justify-content: flex-start;
  width: 100%;
`;

const Box = styled.section`
  display: grid;
  gap: 10px;
  padding: 12px;
  border: 1px solid ${({ theme }) => theme.colour.rule};
  border-radius: 5px;
  background: ${({ theme }) => theme.colour.white};
`;
