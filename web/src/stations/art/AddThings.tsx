import { Image, LayoutGrid, Minus, QrCode, Signature, Sparkle, Type } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import {
  DEFAULTS,
  EMPTY_FACE,
  idOf,
  inkOn,
  MM_PER_POINT,
  newMakersMark,
  PAIRINGS,
  TYPEFACES,
  WORDINGS,
  wordFace,
  type FacePlan,
  type Job,
  type PictureRef,
  type TextBlock,
} from '@zippy/core';
import { useView } from '../../stores/view.ts';
import { Pick } from '../../ui/Choose.tsx';
import { Press } from '../../ui/Press.tsx';
import { Sheet } from '../../ui/Sheet.tsx';
import { useTakeIn } from './useTakeIn.tsx';
import { newId, PLAIN_PLACEMENT, type FaceInHand } from './useFace.ts';

export const PICTURES = ['image/png', 'image/jpeg', 'image/svg+xml', '.svg', 'application/pdf', '.pdf'];

/** One press for each kind of thing that a face can hold. */
export function AddThings({
  hand,
  job,
  back,
  studioName,
  onPage,
}: {
  readonly hand: FaceInHand;
  readonly job: Job;
  /** Where a maker’s mark goes; some formats have no back. */
  readonly back: FacePlan | null;
  readonly studioName: string;
  /** Opens the choice of a page for several panels. */
  readonly onPage: () => void;
}): ReactNode {
  const { face, art, add, keepPicture, topFor } = hand;
  const view = useView((s) => s.set);
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
            picture: { pictureId, ...PLAIN_PLACEMENT },
          },
        ],
      },
      { [pictureId]: ref },
    );
  };
  const addMark = (onto: FacePlan): void => {
    const known = onto.items.find((item) => (item.kind === 'text' ? item.block : item.object).makersMark);
    const mark = newMakersMark(onto, studioName, newId());
    const art = job.art.faces[onto.face.id] ?? EMPTY_FACE;
    if (!known)
      hand.changeAll([{ path: ['art', 'faces', onto.face.id], value: { ...art, texts: [...art.texts, mark] } }]);
    view({ face: onto.face.id, itemIds: [known ? idOf(known) : mark.id] });
  };
  const { takeIn, said, picker } = useTakeIn(addFrame);
  return (
    <>
      <Adds role="group" aria-label="Add to this face">
        <Press onPress={addWords}>
          <Type size={17} aria-hidden /> Add words
        </Press>
        <Press onPress={() => setWording(true)}>
          <Type size={17} aria-hidden /> A wording …
        </Press>
        <FileTrigger acceptedFileTypes={PICTURES} onSelect={(files) => takeIn(files?.[0])}>
          <Press>
            <Image size={17} aria-hidden /> Picture …
          </Press>
        </FileTrigger>
        <Press
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
        </Press>
        <Press
          onPress={() =>
            add({
              objects: [
                { kind: 'rule', id: newId(), ...middle(Math.round(safe.widthMm * 0.5), 4), colour, weightPt: 0.75 },
              ],
            })
          }
        >
          <Minus size={17} aria-hidden /> Rule
        </Press>
        <Press
          onPress={() =>
            add({
              objects: [{ kind: 'ornament', id: newId(), ...middle(third / 2, third / 2), ornament: 'wave', colour }],
            })
          }
        >
          <Sparkle size={17} aria-hidden /> Ornament
        </Press>
        <Press onPress={onPage}>
          <LayoutGrid size={17} aria-hidden /> Panels …
        </Press>
        {back && (
          <Press onPress={() => addMark(back)}>
            <Signature size={17} aria-hidden /> Maker’s mark
          </Press>
        )}
      </Adds>
      {said && <p role="status">{said}</p>}
      {picker}
      <WordingSheet hand={hand} isOpen={wording} onClose={() => setWording(false)} colour={colour} />
    </>
  );
}

/** Words by occasion in a pair of typefaces, set on the face at once. */
function WordingSheet({
  hand,
  isOpen,
  onClose,
  colour,
}: {
  readonly hand: FaceInHand;
  readonly isOpen: boolean;
  readonly onClose: () => void;
  readonly colour: string;
}): ReactNode {
  const { face, art, setFace, pick } = hand;
  const [pairing, setPairing] = useState(PAIRINGS[0]!.id);
  const pair = PAIRINGS.find(({ id }) => id === pairing)!;
  const nameOf = (id: string): string => TYPEFACES.find((t) => t.id === id)!.name;
  const occasions = [...new Set(WORDINGS.map(({ occasion }) => occasion))];
  const take = (id: string): void => {
    const wording = WORDINGS.find((one) => one.id === id)!;
    const texts = wordFace(wording, face.safe, { pairing: pair, colour, idOf: newId });
    // Words that were locked stay; a wording takes the place of the others.
    setFace({ ...EMPTY_FACE, ...art, texts: [...art.texts.filter((t) => t.locked), ...texts] });
    pick(texts.find((t) => t.typefaceId === pair.large)?.id ?? null);
    onClose();
  };
  return (
    <Sheet title={`A wording for the ${face.face.name.toLowerCase()}`} isOpen={isOpen} onClose={onClose} wide>
      <Pick
        label="Typefaces"
        value={pairing}
        onChange={setPairing}
        sections={[
          {
            heading: null,
            options: PAIRINGS.map(({ id, large, plain }) => ({ id, name: `${nameOf(large)} with ${nameOf(plain)}` })),
          },
        ]}
      />
      {art.texts.some((t) => !t.locked) && <p>It takes the place of the words on this face; lock what should stay.</p>}
      <Wordings>
        {occasions.map((occasion) => (
          <section key={occasion} aria-label={occasion}>
            <h3>{occasion}</h3>
            <div>
              {WORDINGS.filter((one) => one.occasion === occasion).map((one) => (
                <button key={one.id} type="button" aria-label={one.name} onClick={() => take(one.id)}>
                  {one.lines.map(([weight, text]) => (
                    <span key={text} className={weight}>
                      {text}
                    </span>
                  ))}
                </button>
              ))}
            </div>
          </section>
        ))}
      </Wordings>
    </Sheet>
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
const Wordings = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 12px 16px;
  align-items: start;
  section > div {
    display: grid;
    gap: 8px;
  }
  h3 {
    margin: 0 0 4px;
    color: ${({ theme }) => theme.colour.plum};
    font-size: 14px;
  }
  button {
    display: grid;
    justify-items: center;
    gap: 2px;
    width: 100%;
    padding: 10px 12px;
    border: 1px solid ${({ theme }) => theme.colour.rule};
    border-radius: 4px;
    background: #fff;
    text-align: center;
    cursor: pointer;
  }
  button:hover {
    border-color: ${({ theme }) => theme.colour.inkQuiet};
  }
  .large {
    font-size: 19px;
    font-weight: 700;
  }
  .small {
    color: ${({ theme }) => theme.colour.inkQuiet};
    font-size: 13px;
  }
`;
