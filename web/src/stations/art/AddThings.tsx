import { Image, LayoutGrid, Minus, QrCode, Signature, Sparkle, Type } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import {
  decide,
  DEFAULTS,
  EMPTY_FACE,
  idOf,
  inkOn,
  MM_PER_POINT,
  newMakersMark,
  type FacePlan,
  type Job,
  type PictureRef,
  type TextBlock,
  type Workshop,
} from '@zippy/core';
import { useView } from '../../stores/view/index.ts';
import { PlainButton } from '../../ui/buttons.tsx';
import { WordingDialog } from './WordingDialog.tsx';
import { PICTURES } from './pictureKinds.ts';
import { useTakeIn } from './useTakeIn.tsx';
import { newId, type FaceInHand } from './useFace.ts';

/** One press for each kind of thing that a face can hold. */
export function AddThings({
  hand,
  job,
  back,
  workshop,
  onPage,
}: {
  readonly hand: FaceInHand;
  readonly job: Job;
  /** Where a maker’s mark goes; some formats have no back. */
  readonly back: FacePlan | null;
  readonly workshop: Workshop;
  /** Opens the choice of a page for several panels. */
  readonly onPage: () => void;
}): ReactNode {
  const { face, art, add, keepPicture, topFor } = hand;
  const pickFace = useView((s) => s.pickFace);
  const [wording, setWording] = useState(false);
  const { safe } = face;
  const middle = (widthMm: number, heightMm: number) => ({
    leftMm: Math.round((face.face.widthMm - widthMm) * 5) / 10,
    topMm: topFor((face.face.heightMm - heightMm) / 2, heightMm),
    widthMm,
    heightMm,
  });
  const third = Math.max(8, Math.round(Math.min(safe.widthMm, safe.heightMm) / 3));
  // Words that are there already know what can be read on this face.
  const colour = art.texts[0]?.colour ?? inkOn(art.background);
  const addWords = (): void => {
    const front = face.face.id === 'front';
    const block: TextBlock = {
      id: newId(),
      text: front ? 'A few words' : 'Write something kind',
      typefaceId: front ? 'fraunces-600' : 'eb-garamond-400',
      sizePt: DEFAULTS.textSizePt,
      align: 'centre',
      lineSpacing: DEFAULTS.lineSpacing,
      colour,
      leftMm: safe.xMm,
      topMm: topFor(face.face.heightMm * 0.4, DEFAULTS.textSizePt * DEFAULTS.lineSpacing * MM_PER_POINT),
      widthMm: safe.widthMm,
    };
    add({ texts: [block] });
  };
  const addFrame = (ref: PictureRef): void => {
    const { pictureId } = keepPicture(ref);
    const ratio = ref.heightPx / ref.widthPx;
    const wide = Math.min(safe.widthMm * 0.6, (safe.heightMm * 0.6) / ratio);
    const id = newId();
    add(
      {
        objects: [
          {
            kind: 'picture',
            id,
            ...middle(Math.round(wide), Math.round(wide * ratio)),
            picture: { pictureId, ...DEFAULTS.placement },
          },
        ],
      },
      { [pictureId]: ref },
    );
  };
  const addMark = (onto: FacePlan): void => {
    const known = onto.items.find((item) => (item.kind === 'text' ? item.block : item.object).makersMark);
    const mark = newMakersMark(onto, workshop.studioName, newId());
    const art = job.art.faces[onto.face.id] ?? EMPTY_FACE;
    if (!known)
      hand.changeAll([decide((job) => job.art.faces.at(onto.face.id), { ...art, texts: [...art.texts, mark] })]);
    pickFace(onto.face.id, [known ? idOf(known) : mark.id]);
  };
  const { takeIn, said, picker } = useTakeIn(addFrame);
  return (
    <>
      <Adds role="group" aria-label="Add to this face">
        <PlainButton onPress={addWords}>
          <Type size={17} aria-hidden /> Add words
        </PlainButton>
        <PlainButton onPress={() => setWording(true)}>
          <Type size={17} aria-hidden /> A wording …
        </PlainButton>
        <FileTrigger acceptedFileTypes={PICTURES} onSelect={(files) => takeIn(files?.[0])}>
          <PlainButton>
            <Image size={17} aria-hidden /> Picture …
          </PlainButton>
        </FileTrigger>
        <PlainButton
          onPress={() =>
            add({
              objects: [
                {
                  kind: 'code',
                  id: newId(),
                  ...middle(Math.max(24, third), Math.max(24, third)),
                  content: { kind: 'link', url: 'https://' },
                  colour: '#1d2930',
                  ground: '#ffffff',
                },
              ],
            })
          }
        >
          <QrCode size={17} aria-hidden /> Code
        </PlainButton>
        <PlainButton
          onPress={() =>
            add({
              objects: [
                { kind: 'rule', id: newId(), ...middle(Math.round(safe.widthMm * 0.5), 4), colour, weightPt: 0.75 },
              ],
            })
          }
        >
          <Minus size={17} aria-hidden /> Rule
        </PlainButton>
        <PlainButton
          onPress={() =>
            add({
              objects: [{ kind: 'ornament', id: newId(), ...middle(third / 2, third / 2), ornament: 'wave', colour }],
            })
          }
        >
          <Sparkle size={17} aria-hidden /> Ornament
        </PlainButton>
        <PlainButton onPress={onPage}>
          <LayoutGrid size={17} aria-hidden /> Panels …
        </PlainButton>
        {back && (
          <PlainButton onPress={() => addMark(back)}>
            <Signature size={17} aria-hidden /> Maker’s mark
          </PlainButton>
        )}
      </Adds>
      {said && <p role="status">{said}</p>}
      {picker}
      {wording && (
        <WordingDialog hand={hand} job={job} workshop={workshop} onClose={() => setWording(false)} colour={colour} />
      )}
    </>
  );
}

const Adds = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 6px;
  > button {
    justify-content: flex-start;
    padding: 6px 10px;
  }
`;
