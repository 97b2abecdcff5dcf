import { lazy, Suspense, useCallback, useState, type DragEvent, type ReactNode } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import {
  cutsOnFace,
  decide,
  fixed,
  seenFace,
  SPREADS_OF_95,
  idOf,
  IDENTITY,
  polygon,
  whiteWayOf,
  type Scene,
} from '@zippy/core';
import { api } from '../../api/client.ts';
import { Bench } from '../../bench/Bench.tsx';
import { Turner } from '../../bench/Turner.tsx';
import { FoldedBench } from '../../folded/FoldedBench.tsx';
import { More, Slip } from '../../slip/Slip.tsx';
import { useJob } from '../../stores/job.ts';
import { useView } from '../../stores/view/index.ts';
import { Pick } from '../../ui/Pick.tsx';
import { FieldPlace } from '../../ui/fields/TypedField.tsx';
import { ColourField } from '../../ui/ColourField.tsx';
import { BenchButton, KeyCap, PlainButton, Quiet } from '../../ui/buttons.tsx';
import { Row } from '../../ui/ModalDialog.tsx';
import { spokenOf, useSides, type StationProps } from '../parts.ts';
import { DriftBench, DriftPanel } from './drift/DriftLab.tsx';
import { AddThings, PICTURES } from './AddThings.tsx';
import { FaceBeside } from './FaceBeside.tsx';
import { CopyFace, GroundPanel } from './GroundPanel.tsx';
import { Handles } from './Handles.tsx';
import { ItemList } from './ItemList.tsx';
import { ObjectPanel } from './ObjectPanel.tsx';
import { InkPanel } from './InkPanel.tsx';
import { InksOnStock } from './InksOnStock.tsx';
import { NamesPanel } from './NamesPanel.tsx';
import { PicturePanel } from './PicturePanel.tsx';
import { PrintHouse } from './PrintHouse.tsx';
import { useFace } from './useFace.ts';
import { useTakeIn } from './useTakeIn.tsx';
import { WordsPanel } from './WordsPanel.tsx';

const PagePanels = lazy(() => import('./PagePanels.tsx'));

/** More faces than this do not fit side by side under the bench. */
const MOST_PRESSES = 6;

export function ArtBench(props: StationProps): ReactNode {
  const { job, plan, workshop } = props;
  const { pickFace, showCard, showFolded } = useView.getState();
  const folded = useView((s) => s.folded);
  const drift = useView((s) => s.drift);
  const toggleDrift = useView((s) => s.toggleDrift);
  const sides = useSides(plan);
  const { face, placePicture } = useFace(props);
  const { takeIn, said, picker } = useTakeIn(placePicture);
  const stockColour = plan.stock.stock.colour;
  const draw = useCallback(
    (textMm: number): Scene => ({
      box: { ...face.bleed, yMm: face.bleed.yMm - textMm * 2, heightMm: face.bleed.heightMm + textMm * 4 },
      symbols: {},
      shapes: [
        { kind: 'path', role: 'stock', path: polygon(face.bleedOutline), fill: stockColour },
        {
          kind: 'group',
          transform: IDENTITY,
          clip: polygon(face.bleedOutline),
          children: seenFace(plan.art, face, stockColour),
        },
        { kind: 'path', role: 'safe', path: polygon(face.safeOutline) },
        { kind: 'path', role: 'trim', path: polygon(face.trimOutline) },
        ...cutsOnFace(plan.size, face.face),
        {
          kind: 'label',
          role: 'dimension',
          text: `${face.face.name}, as its reader sees it · solid line: trim · dots: safe`,
          at: { xMm: face.face.widthMm / 2, yMm: face.bleed.yMm + face.bleed.heightMm + textMm * 1.5 },
          sizeMm: textMm,
          anchor: 'middle',
        },
      ],
    }),
    [plan.size, face, stockColour, plan.art],
  );
  const drop = (event: DragEvent): void => {
    event.preventDefault();
    takeIn(event.dataTransfer.files[0]);
  };
  const foldPress = plan.size.form.blank.creases.length > 0 && (
    <BenchButton onPress={() => showFolded(!folded)} aria-pressed={folded}>
      Folded <KeyCap>O</KeyCap>
    </BenchButton>
  );
  if (drift) return <DriftBench {...props} />;
  if (folded && foldPress) return <FoldedBench {...props} art={sides} more={foldPress} />;
  return (
    <Drop onDragOver={(event) => event.preventDefault()} onDrop={drop}>
      {picker}
      <Bench
        content={face.bleed}
        draw={draw}
        pictures={job.pictures}
        unit={workshop.unit}
        label={`${face.face.name}: the art as it will print`}
        caption={said ?? undefined}
        beside={<FaceBeside {...props} face={face.face} sides={sides} />}
        overlay={(geometry) => <Handles {...props} geometry={geometry} />}
        tools={
          <>
            {plan.art.faces.length > MOST_PRESSES ? (
              <FacePick>
                <Pick
                  label="Face"
                  value={face.face.id}
                  onChange={(id) => pickFace(id)}
                  sections={[
                    {
                      heading: null,
                      options: plan.art.faces.map(({ face: { id, name } }) => ({ id, name })),
                    },
                  ]}
                />
              </FacePick>
            ) : (
              plan.art.faces.map(({ face: { id, name } }) => (
                <BenchButton key={id} aria-pressed={id === face.face.id} onPress={() => pickFace(id)}>
                  {name}
                </BenchButton>
              ))
            )}
            {foldPress}
            <BenchButton onPress={toggleDrift} aria-pressed={false}>
              Drift <KeyCap>D</KeyCap>
            </BenchButton>
            {plan.art.names && (
              <Turner
                name="Card"
                number={plan.art.names.shown + 1}
                of={plan.art.names.cards}
                onChange={(n) => showCard(n - 1)}
              />
            )}
          </>
        }
      />
    </Drop>
  );
}

export function ArtSlip(props: StationProps): ReactNode {
  const { job, plan, workshop } = props;
  const hand = useFace(props);
  const { face, art, item, setFace, placePicture } = hand;
  const { takeIn, said, picker } = useTakeIn(placePicture);
  const takeAway = useJob((s) => s.takeAway);
  const drift = useView((s) => s.drift);
  const [page, setPage] = useState(false);
  const others = Object.entries(job.pictures).filter(([id]) => id !== art.picture?.pictureId);
  const rest = plan.art.faces.map((f) => f.face).filter(({ id }) => id !== face.face.id);
  if (drift)
    return (
      <Slip
        title={`Art · drift on the ${face.face.name.toLowerCase()}`}
        // What is said here is about the blade.
        part={{
          ...plan.art,
          verdict: sayDrift(plan),
          snags: plan.art.snags.filter(({ id }) =>
            /^art-(bleed-small|border|overhang|short|object-safe|safe)/.test(id),
          ),
          figures: [],
        }}
        spoken={spokenOf(workshop)}
      >
        <DriftPanel {...props} />
      </Slip>
    );
  return (
    <Slip title={`Art · ${face.face.name}`} part={plan.art} spoken={spokenOf(workshop)}>
      <ColourField
        label="Background"
        value={art.background}
        bare="Bare stock"
        onChange={(colour) => setFace({ background: colour }, `background-${face.face.id}`)}
      />
      <Row>
        <FileTrigger acceptedFileTypes={PICTURES} onSelect={(files) => takeIn(files?.[0])}>
          <PlainButton>{art.picture ? 'Another picture …' : 'Place a picture …'}</PlainButton>
        </FileTrigger>
        {art.picture && (
          <Quiet
            onPress={() =>
              takeAway([decide((job) => job.art.faces.at(face.face.id).picture, null)], 'The picture is off the face.')
            }
          >
            Take it off
          </Quiet>
        )}
      </Row>
      {said && <p role="status">{said}</p>}
      {picker}
      {!art.picture && others.length > 0 && (
        <Row role="group" aria-label="Pictures of this job">
          {others.map(([id, ref]) => (
            <Thumb
              key={id}
              type="button"
              onClick={() => placePicture(ref)}
              aria-label={`Place ${ref.name}`}
              title={ref.name}
            >
              <img src={api.pictureUrl(ref.sha256)} alt="" />
            </Thumb>
          ))}
        </Row>
      )}
      <AddThings
        hand={hand}
        job={job}
        back={plan.art.faces.find((f) => f.face.id === 'back') ?? null}
        workshop={workshop}
        onPage={() => setPage(true)}
      />
      {page && (
        <Suspense fallback={null}>
          <PagePanels {...props} faceId={face.face.id} onClose={() => setPage(false)} />
        </Suspense>
      )}
      <ItemList hand={hand} job={job} />
      <FieldPlace value={`${face.face.id} ${item ? idOf(item) : ''}`}>
        {item?.kind === 'text' && <WordsPanel {...props} hand={hand} text={item.block} fitted={item.set.fitted} />}
        {item && item.kind !== 'text' && <ObjectPanel {...props} item={item} hand={hand} />}
      </FieldPlace>
      {art.picture && !item && (
        <PicturePanel
          placement={art.picture}
          mayBeWhole={(art.picture.across ?? []).length === 0}
          onChange={(part, key) => setFace({ picture: { ...art.picture!, ...part } }, key)}
        />
      )}
      <More label={job.names ? `Names from a list (${job.names.rows.length})` : 'Names from a list'}>
        <NamesPanel job={job} names={plan.art.names} />
      </More>
      {plan.art.onStock.coloured && (
        <InksOnStock
          onStock={plan.art.onStock}
          stock={plan.stock.stock}
          white={whiteWayOf(plan.stock.printer, plan.stock.path, plan.stock.stock)}
        />
      )}
      <More label="Gradient, border, pattern, panels">
        <FieldPlace value={face.face.id}>
          <GroundPanel
            hand={hand}
            unit={workshop.unit}
            pictures={Object.entries(job.pictures).map(([id, { name }]) => ({ id, name }))}
            sameSide={rest.filter(({ side }) => side === face.face.side)}
          />
        </FieldPlace>
      </More>
      {rest.length > 0 && (
        <More label="Copy or clear this face">
          <CopyFace hand={hand} faces={rest} />
        </More>
      )}
      <More label="Ink on a card">
        <InkPanel job={job} plan={plan} />
      </More>
      <More label="In a print house’s pixels">
        <PrintHouse
          key={face.face.id}
          face={face}
          unit={workshop.unit}
          white={plan.art.onStock.coloured && plan.art.onStock.white}
        />
      </More>
    </Slip>
  );
}

/** Where this trimmer’s cuts land, in a sentence. */
const sayDrift = ({ cut }: StationProps['plan']): string =>
  `${cut.trimmer.name[0]!.toUpperCase()}${cut.trimmer.name.slice(1)} lands 95 cuts in 100 within ${fixed(SPREADS_OF_95 * cut.drift.worst.fromTrueMm, 1)} mm of their place. Move the blade and see what would show.`;

const Drop = styled.div`
  display: grid;
  min-width: 0;
  min-height: 0;
`;
const Thumb = styled.button`
  width: 56px;
  height: 56px;
  padding: 2px;
  border: 1px solid ${({ theme }) => theme.colour.rule};
  border-radius: 4px;
  background: ${({ theme }) => theme.colour.white};
  cursor: pointer;
  img {
    width: 100%;
    height: 100%;
    object-fit: cover;
  }
`;

const FacePick = styled.div`
  display: flex;
  width: 240px;
  > * {
    flex: 1;
  }
  label {
    display: none;
  }
  button {
    color: ${({ theme }) => theme.colour.ink};
  }
`;
