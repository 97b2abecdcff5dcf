import { Image, LayoutGrid, Minus, QrCode, Signature, Sparkle, Type } from 'lucide-react';
import { lazy, Suspense, useState, type ReactNode } from 'react';
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
  type PictureRef,
  type TextBlock,
} from '@zippy/core';
import { useView } from '../../stores/view/index.ts';
import { BenchButton } from '../../ui/buttons.tsx';
import type { StationProps } from '../parts.ts';
import { AddTrimming } from './AddTrimming.tsx';
import { homeOf } from './facesOf.ts';
import { WordingDialog } from './WordingDialog.tsx';
import { PICTURES } from './pictureKinds.ts';
import { useTakeIn } from './useTakeIn.tsx';
import { newId, type FaceInHand } from './useFace.ts';

const PagePanels = lazy(() => import('./PagePanels.tsx'));

/** One press for each kind of thing that a face can hold, in a row over the bench. */
export function AddThings({ hand, ...props }: StationProps & { readonly hand: FaceInHand }): ReactNode {
  const { job, plan, workshop } = props;
  // Where a maker’s mark goes; some formats have no back.
  const back = plan.art.faces.find((f) => f.face.id === 'back') ?? null;
  const { face, art, add, keepPicture, topFor } = hand;
  const pickFace = useView((s) => s.pickFace);
  const [wording, setWording] = useState(false);
  const [page, setPage] = useState(false);
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
      { pictures: { [pictureId]: ref } },
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
        <BenchButton onPress={addWords}>
          <Type size={17} aria-hidden /> Add words
        </BenchButton>
        <BenchButton onPress={() => setWording(true)}>
          <Type size={17} aria-hidden /> A wording …
        </BenchButton>
        <FileTrigger acceptedFileTypes={PICTURES} onSelect={(files) => takeIn(files?.[0])}>
          <BenchButton>
            <Image size={17} aria-hidden /> Picture …
          </BenchButton>
        </FileTrigger>
        <BenchButton
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
        </BenchButton>
        <BenchButton
          onPress={() =>
            add({
              objects: [
                { kind: 'rule', id: newId(), ...middle(Math.round(safe.widthMm * 0.5), 4), colour, weightPt: 0.75 },
              ],
            })
          }
        >
          <Minus size={17} aria-hidden /> Rule
        </BenchButton>
        <BenchButton
          onPress={() =>
            add({
              objects: [{ kind: 'ornament', id: newId(), ...middle(third / 2, third / 2), ornament: 'wave', colour }],
            })
          }
        >
          <Sparkle size={17} aria-hidden /> Ornament
        </BenchButton>
        {!homeOf(plan, face.face.id).isEnvelope && <AddTrimming {...props} hand={hand} />}
        <BenchButton onPress={() => setPage(true)}>
          <LayoutGrid size={17} aria-hidden /> Panels …
        </BenchButton>
        {back && (
          <BenchButton onPress={() => addMark(back)}>
            <Signature size={17} aria-hidden /> Maker’s mark
          </BenchButton>
        )}
      </Adds>
      {said && <Said role="status">{said}</Said>}
      {picker}
      {page && (
        <Suspense fallback={null}>
          <PagePanels {...props} faceId={face.face.id} onClose={() => setPage(false)} />
        </Suspense>
      )}
      {wording && (
        <WordingDialog hand={hand} job={job} workshop={workshop} onClose={() => setWording(false)} colour={colour} />
      )}
    </>
  );
}

const Adds = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
  padding: 8px 10px;
  border-bottom: 1px solid ${({ theme }) => theme.colour.slateLine};
  background: ${({ theme }) => theme.colour.slateDeep};
  > button {
    gap: 4px;
    padding: 4px 5px;
    font-size: 14.5px;
  }
`;
const Said = styled.p`
  padding: 4px 12px;
  background: ${({ theme }) => theme.colour.slateDeep};
`;
