import { homeOf } from './facesOf.ts';
import { useCallback, type DragEvent, type ReactNode } from 'react';
import styled from 'styled-components';
import type { Scene } from '@zippy/core';
import { Bench } from '../../bench/Bench.tsx';
import { Turner } from '../../bench/Turner.tsx';
import { FoldedBench } from '../../folded/FoldedBench.tsx';
import { useView } from '../../stores/view/index.ts';
import { BenchButton, KeyCap } from '../../ui/buttons.tsx';
import { useEnvelopeSides, useSides, type StationProps } from '../parts.ts';
import { AddThings } from './AddThings.tsx';
import { DriftBench } from './drift/DriftBench.tsx';
import { drawFaceOnBench } from './drawFaceOnBench.ts';
import { FaceBeside } from './FaceBeside.tsx';
import { FacePresses } from './FacePresses.tsx';
import { Handles } from './Handles.tsx';
import { TrimmingHandles } from './TrimmingHandles.tsx';
import { useFace } from './useFace.ts';
import { useTakeIn } from './useTakeIn.tsx';

export function ArtBench(props: StationProps): ReactNode {
  const { job, plan, workshop } = props;
  const { showCard, showFolded } = useView.getState();
  const folded = useView((s) => s.folded);
  const drift = useView((s) => s.drift);
  const toggleDrift = useView((s) => s.toggleDrift);
  const cardSides = useSides(plan);
  const hand = useFace(props);
  const { face, placePicture } = hand;
  const home = homeOf(plan, face.face.id);
  const envelopeSides = useEnvelopeSides(plan, face.face.id === 'envelopeLiner');
  const sides = home.isEnvelope ? envelopeSides : cardSides;
  const { takeIn, said, picker } = useTakeIn(placePicture);
  const draw = useCallback((textMm: number): Scene => drawFaceOnBench(plan, face, textMm), [plan, face]);
  const drop = (event: DragEvent): void => {
    event.preventDefault();
    takeIn(event.dataTransfer.files[0]);
  };
  const foldPress = home.piece.form.blank.creases.length > 0 && (
    <BenchButton onPress={() => showFolded(!folded)} aria-pressed={folded}>
      Folded <KeyCap>O</KeyCap>
    </BenchButton>
  );
  if (drift && !home.isEnvelope) return <DriftBench {...props} />;
  if (folded && foldPress)
    return <FoldedBench {...props} art={sides} size={home.piece} stockColour={home.colour} more={foldPress} />;
  return (
    <Drop onDragOver={(event) => event.preventDefault()} onDrop={drop}>
      {picker}
      <Bench
        content={face.page}
        draw={draw}
        pictures={job.pictures}
        unit={workshop.unit}
        label={`${face.face.name}: the art as it will print`}
        caption={said ?? undefined}
        above={<AddThings {...props} hand={hand} />}
        beside={<FaceBeside {...props} face={face.face} sides={sides} home={home} />}
        overlay={(geometry) => (
          <>
            <Handles {...props} geometry={geometry} />
            {!home.isEnvelope && <TrimmingHandles {...props} faceId={face.face.id} geometry={geometry} />}
          </>
        )}
        tools={
          <>
            <FacePresses plan={plan} faceId={face.face.id} />
            {foldPress}
            {!home.isEnvelope && (
              <BenchButton onPress={toggleDrift} aria-pressed={false}>
                Drift <KeyCap>D</KeyCap>
              </BenchButton>
            )}
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

const Drop = styled.div`
  display: grid;
  min-width: 0;
  min-height: 0;
`;
