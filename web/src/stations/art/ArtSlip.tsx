import { facesOf, homeOf } from './facesOf.ts';
import type { ReactNode } from 'react';
import { FileTrigger } from 'react-aria-components';
import { decide, idOf, whiteWayOf } from '@zippy/core';
import { More } from '../../slip/More.tsx';
import { Slip } from '../../slip/Slip.tsx';
import { useJob } from '../../stores/job.ts';
import { useView } from '../../stores/view/index.ts';
import { FieldPlace } from '../../ui/fields/TypedField.tsx';
import { ColourField } from '../../ui/ColourField.tsx';
import { PlainButton, Quiet } from '../../ui/buttons.tsx';
import { Row } from '../../ui/ModalDialog.tsx';
import { spokenOf, type StationProps } from '../parts.ts';
import { PICTURES } from './pictureKinds.ts';
import { DriftSlip } from './drift/DriftSlip.tsx';
import { DrawnElsewhere } from './DrawnElsewhere.tsx';
import { CopyFace, GroundPanel } from './GroundPanel.tsx';
import { ItemList } from './ItemList.tsx';
import { ObjectPanel } from './ObjectPanel.tsx';
import { InkPanel } from './InkPanel.tsx';
import { InksOnStock } from './InksOnStock.tsx';
import { NamesPanel } from './names/NamesPanel.tsx';
import { PicturePanel } from './PicturePanel.tsx';
import { PicturesOfJob } from './PicturesOfJob.tsx';
import { PrintHouse } from './PrintHouse.tsx';
import { useFace } from './useFace.ts';
import { useTakeIn } from './useTakeIn.tsx';
import { TrimmingPanel } from './TrimmingPanel.tsx';
import { useTrimmings } from './useTrimmings.ts';
import { WordsPanel } from './WordsPanel.tsx';

export function ArtSlip(props: StationProps): ReactNode {
  const { job, plan, workshop } = props;
  const hand = useFace(props);
  const { face, art, item, setFace, placePicture } = hand;
  const { takeIn, said, picker } = useTakeIn(placePicture);
  const takeAway = useJob((s) => s.takeAway);
  const drift = useView((s) => s.drift);
  const held = useTrimmings(job).inHand;
  const trimming = held?.faceId === face.face.id ? held : null;
  const rest = facesOf(plan)
    .map((f) => f.face)
    .filter(({ id }) => id !== face.face.id);
  if (drift && !homeOf(plan, face.face.id).isEnvelope) return <DriftSlip {...props} />;
  return (
    <Slip title={`Art · ${face.face.name}`} part={plan.art} spoken={spokenOf(workshop)}>
      <FieldPlace value={`${face.face.id} ${item ? idOf(item) : (trimming?.id ?? '')}`}>
        {item?.kind === 'text' && <WordsPanel {...props} hand={hand} text={item.block} fitted={item.set.fitted} />}
        {trimming && <TrimmingPanel {...props} choice={trimming} />}
        {item && item.kind !== 'text' && <ObjectPanel {...props} item={item} hand={hand} />}
      </FieldPlace>
      <FieldPlace value={face.face.id}>
        <ColourField
          label="Background"
          value={art.background}
          bare="Bare stock"
          onChange={(colour) => setFace({ background: colour }, `background-${face.face.id}`)}
        />
      </FieldPlace>
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
      {!art.picture && <PicturesOfJob job={job} onPlace={placePicture} />}
      <ItemList hand={hand} job={job} />
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
      <More label="Drawn elsewhere">
        <DrawnElsewhere plan={plan} />
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
