import { useCallback, useState, type DragEvent, type ReactNode } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { DEFAULTS, drawFace, IDENTITY, polygon, type Scene, type TextBlock } from '@zippy/core';
import { api } from '../../api/client.ts';
import { Bench } from '../../bench/Bench.tsx';
import { FoldedBench } from '../../folded/FoldedBench.tsx';
import { More, Slip } from '../../slip/Slip.tsx';
import { useView } from '../../stores/view.ts';
import { OnOff, Pick, Scale } from '../../ui/Choose.tsx';
import { ColourField } from '../../ui/ColourField.tsx';
import { BenchPress, KeyCap, Press, Quiet } from '../../ui/Press.tsx';
import { Row } from '../../ui/Sheet.tsx';
import { spokenOf, useSides, type StationProps } from '../parts.ts';
import { Handles } from './Handles.tsx';
import { PrintHouse } from './PrintHouse.tsx';
import { useFace } from './useFace.ts';
import { WordsPanel } from './WordsPanel.tsx';

/** More faces than this do not fit side by side under the bench. */
const MOST_PRESSES = 6;
const PICTURES = ['image/png', 'image/jpeg', 'image/svg+xml', '.svg'];

export function ArtBench(props: StationProps): ReactNode {
  const { job, plan, workshop } = props;
  const set = useView((s) => s.set);
  const folded = useView((s) => s.folded);
  const sides = useSides(plan);
  const { face, placePicture } = useFace(props);
  const [problem, setProblem] = useState<string | null>(null);
  const stockColour = plan.stock.stock.colour;
  const draw = useCallback(
    (textMm: number): Scene => ({
      box: { ...face.bleed, yMm: face.bleed.yMm - textMm * 2, heightMm: face.bleed.heightMm + textMm * 4 },
      symbols: {},
      shapes: [
        { kind: 'path', role: 'stock', path: polygon(face.bleedOutline), fill: stockColour },
        { kind: 'group', transform: IDENTITY, clip: polygon(face.bleedOutline), children: drawFace(face) },
        { kind: 'path', role: 'safe', path: polygon(face.safeOutline) },
        { kind: 'path', role: 'trim', path: polygon(face.trimOutline) },
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
    [face, stockColour],
  );
  const drop = async (event: DragEvent): Promise<void> => {
    event.preventDefault();
    const [file] = event.dataTransfer.files;
    if (!file) return;
    setProblem(null);
    try {
      placePicture(await api.addPicture(file));
    } catch (why) {
      setProblem((why as Error).message);
    }
  };
  const foldPress = plan.size.form.blank.creases.length > 0 && (
    <BenchPress onPress={() => set({ folded: !folded })} aria-pressed={folded}>
      Folded <KeyCap>O</KeyCap>
    </BenchPress>
  );
  if (folded && foldPress) return <FoldedBench {...props} art={sides} more={foldPress} />;
  return (
    <Drop onDragOver={(event) => event.preventDefault()} onDrop={(event) => void drop(event)}>
      <Bench
        content={face.bleed}
        draw={draw}
        pictures={job.pictures}
        unit={workshop.unit}
        label={`${face.face.name}: the art as it will print`}
        caption={problem ?? undefined}
        overlay={(geometry) => <Handles {...props} geometry={geometry} />}
        tools={
          <>
            {plan.art.faces.length > MOST_PRESSES ? (
              <FacePick>
                <Pick
                  label="Face"
                  value={face.face.id}
                  onChange={(id) => set({ face: id, textId: null })}
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
                <BenchPress key={id} aria-pressed={id === face.face.id} onPress={() => set({ face: id, textId: null })}>
                  {name}
                </BenchPress>
              ))
            )}
            {foldPress}
          </>
        }
      />
    </Drop>
  );
}

export function ArtSlip(props: StationProps): ReactNode {
  const { job, plan, workshop } = props;
  const { textId, set } = useView();
  const { face, art, setFace, placePicture } = useFace(props);
  const [working, setWorking] = useState<string | null>(null);
  const text = art.texts.find((t) => t.id === textId) ?? null;
  const add = async (files: FileList | null): Promise<void> => {
    const file = files?.[0];
    if (!file) return;
    setWorking(`Taking in ${file.name} …`);
    try {
      placePicture(await api.addPicture(file));
      setWorking(null);
    } catch (why) {
      setWorking((why as Error).message);
    }
  };
  const addText = (): void => {
    const id = crypto.randomUUID().slice(0, 8);
    const { safe } = face;
    const dark = art.background !== null && luminance(art.background) < 0.35;
    const block: TextBlock = {
      id,
      text: face.face.id === 'front' ? 'A few words' : 'Write something kind',
      typefaceId: face.face.id === 'front' ? 'fraunces-600' : 'eb-garamond-400',
      sizePt: DEFAULTS.textSizePt,
      align: 'centre',
      lineSpacing: DEFAULTS.lineSpacing,
      colour: dark ? '#fdf3d8' : DEFAULTS.textColour,
      leftMm: safe.xMm,
      topMm: Math.max(safe.yMm, face.face.heightMm * 0.4),
      widthMm: safe.widthMm,
    };
    setFace({ texts: [...art.texts, block] });
    set({ textId: id });
  };
  const others = Object.entries(job.pictures).filter(([id]) => id !== art.picture?.pictureId);
  return (
    <Slip title={`Art · ${face.face.name}`} part={plan.art} spoken={spokenOf(workshop)}>
      <ColourField
        label="Background"
        value={art.background}
        bare="Bare stock"
        onChange={(colour) => setFace({ background: colour }, `background-${face.face.id}`)}
      />
      <Row>
        <FileTrigger acceptedFileTypes={PICTURES} onSelect={(files) => void add(files)}>
          <Press>{art.picture ? 'Another picture …' : 'Place a picture …'}</Press>
        </FileTrigger>
        {art.picture && <Quiet onPress={() => setFace({ picture: null })}>Take it off</Quiet>}
      </Row>
      {working && <p role="status">{working}</p>}
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
      {art.picture && (
        <>
          <Scale
            label="Zoom"
            value={art.picture.zoom}
            least={1}
            most={6}
            step={0.01}
            say={(v) => `${Math.round(v * 100)} %`}
            onChange={(zoom) => setFace({ picture: { ...art.picture!, zoom } }, 'zoom')}
          />
          <Scale
            label="Fade"
            value={art.picture.fade}
            least={0}
            most={1}
            step={0.01}
            say={(v) => `${Math.round(v * 100)} %`}
            onChange={(fade) => setFace({ picture: { ...art.picture!, fade } }, 'fade')}
          />
          <OnOff
            label="Grey"
            value={art.picture.grey}
            onChange={(grey) => setFace({ picture: { ...art.picture!, grey } })}
          />
        </>
      )}
      <Row>
        <Press onPress={addText}>Add words</Press>
        {art.texts.map((t) => (
          <Press key={t.id} aria-pressed={t.id === textId} onPress={() => set({ textId: t.id })}>
            {t.text.split('\n')[0]!.slice(0, 14) || '(empty)'}
          </Press>
        ))}
      </Row>
      {text && <WordsPanel {...props} text={text} />}
      <More label="In a print house’s pixels">
        <PrintHouse key={face.face.id} face={face} unit={workshop.unit} />
      </More>
    </Slip>
  );
}

/** Relative luminance of sRGB. Source: WCAG 2.2. */
function luminance(colour: string): number {
  const [r, g, b] = [1, 3, 5].map((i) => {
    const v = parseInt(colour.slice(i, i + 2), 16) / 255;
    return v <= 0.04045 ? v / 12.92 : ((v + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
}

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
  background: #fff;
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
