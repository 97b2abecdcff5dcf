import {
  useCallback,
  useRef,
  useState,
  type DragEvent,
  type KeyboardEvent,
  type PointerEvent,
  type ReactNode,
} from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { boxPath, DEFAULTS, drawFace, TYPEFACES, type Mood, type Scene, type TextBlock } from '@zippy/core';
import { api } from '../../api/client.ts';
import { Bench, type BenchGeometry } from '../../bench/Bench.tsx';
import { Slip } from '../../slip/Slip.tsx';
import { useView } from '../../stores/view.ts';
import { Choice, OnOff, Pick, Scale } from '../../ui/Choose.tsx';
import { ColourField } from '../../ui/ColourField.tsx';
import { LengthField, NumberField, WordsField } from '../../ui/Field.tsx';
import { BenchPress, Press, Quiet } from '../../ui/Press.tsx';
import { Row, Two } from '../../ui/Sheet.tsx';
import { spokenOf, type StationProps } from '../parts.ts';
import { useFace } from './useFace.ts';

const PICTURES = ['image/png', 'image/jpeg', 'image/svg+xml', '.svg'];

export function ArtBench(props: StationProps): ReactNode {
  const { job, plan, workshop } = props;
  const set = useView((s) => s.set);
  const { face, placePicture } = useFace(props);
  const [problem, setProblem] = useState<string | null>(null);
  const stockColour = plan.stock.stock.colour;
  const draw = useCallback(
    (textMm: number): Scene => ({
      box: { ...face.bleed, yMm: face.bleed.yMm - textMm * 2, heightMm: face.bleed.heightMm + textMm * 4 },
      symbols: {},
      shapes: [
        { kind: 'path', role: 'stock', path: boxPath(face.bleed), fill: stockColour },
        { kind: 'group', transform: [1, 0, 0, 1, 0, 0], clip: boxPath(face.bleed), children: drawFace(face) },
        { kind: 'path', role: 'safe', path: boxPath(face.safe) },
        {
          kind: 'path',
          role: 'trim',
          path: boxPath({ xMm: 0, yMm: 0, widthMm: face.face.widthMm, heightMm: face.face.heightMm }),
        },
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
        tools={plan.art.faces.map(({ face: { id, name } }) => (
          <BenchPress key={id} aria-pressed={id === face.face.id} onPress={() => set({ face: id, textId: null })}>
            {name}
          </BenchPress>
        ))}
      />
    </Drop>
  );
}

/** Invisible handles over the drawing: words and the picture are dragged, or moved with the arrow keys. */
function Handles({ geometry, ...props }: StationProps & { readonly geometry: BenchGeometry }): ReactNode {
  const { face, art, setFace, setText } = useFace(props);
  const { textId, set } = useView();
  const { pxPerMm, originPx } = geometry;
  const drag = useRef<{
    readonly x: number;
    readonly y: number;
    readonly left: number;
    readonly top: number;
    readonly key: string;
  } | null>(null);
  const at = (xMm: number, yMm: number, widthMm: number, heightMm: number) => ({
    left: originPx.x + xMm * pxPerMm,
    top: originPx.y + yMm * pxPerMm,
    width: widthMm * pxPerMm,
    height: heightMm * pxPerMm,
  });

  const start = (event: PointerEvent, left: number, top: number): void => {
    event.currentTarget.setPointerCapture(event.pointerId);
    drag.current = { x: event.clientX, y: event.clientY, left, top, key: `drag-${event.timeStamp}` };
  };
  const stop = (): void => {
    drag.current = null;
  };

  const moveText = (event: PointerEvent, block: TextBlock): void => {
    const from = drag.current;
    if (!from) return;
    const tenth = (mm: number): number => Math.round(mm * 10) / 10;
    setText(
      block.id,
      {
        leftMm: tenth(from.left + (event.clientX - from.x) / pxPerMm),
        topMm: tenth(from.top + (event.clientY - from.y) / pxPerMm),
      },
      from.key,
    );
  };
  const nudgeText = (event: KeyboardEvent, block: TextBlock): void => {
    const by = event.shiftKey ? 5 : 0.5;
    const [dx, dy] = ARROWS[event.key] ?? [0, 0];
    if (dx === 0 && dy === 0) return;
    event.preventDefault();
    event.stopPropagation();
    setText(block.id, { leftMm: block.leftMm + dx * by, topMm: block.topMm + dy * by }, `nudge-${block.id}`);
  };

  const slidePicture = (focusX: number, focusY: number, key: string): void => {
    if (!art.picture) return;
    const clamp = (v: number): number => Math.min(1, Math.max(0, v));
    setFace({ picture: { ...art.picture, focusX: clamp(focusX), focusY: clamp(focusY) } }, key);
  };
  const movePicture = (event: PointerEvent): void => {
    const from = drag.current;
    const placed = face.picture?.box;
    if (!from || !placed) return;
    const over = { x: placed.widthMm - face.bleed.widthMm, y: placed.heightMm - face.bleed.heightMm };
    const slid = (start: number, deltaPx: number, overMm: number): number =>
      overMm > 0.01 ? start - deltaPx / pxPerMm / overMm : start;
    slidePicture(
      slid(from.left, event.clientX - from.x, over.x),
      slid(from.top, event.clientY - from.y, over.y),
      from.key,
    );
  };
  const nudgePicture = (event: KeyboardEvent): void => {
    const [dx, dy] = ARROWS[event.key] ?? [0, 0];
    if (!art.picture || (dx === 0 && dy === 0)) return;
    event.preventDefault();
    event.stopPropagation();
    slidePicture(art.picture.focusX - dx * 0.02, art.picture.focusY - dy * 0.02, 'nudge-picture');
  };

  const { picture } = art;
  return (
    <>
      {picture && (
        <PictureHandle
          role="button"
          tabIndex={0}
          aria-label={`Picture ${props.job.pictures[picture.pictureId]?.name ?? ''}: drag or use the arrow keys to slide it`}
          style={at(face.bleed.xMm, face.bleed.yMm, face.bleed.widthMm, face.bleed.heightMm)}
          onPointerDown={(event) => {
            set({ textId: null });
            start(event, picture.focusX, picture.focusY);
          }}
          onPointerMove={movePicture}
          onPointerUp={stop}
          onKeyDown={nudgePicture}
        />
      )}
      {face.blocks.map((block) => {
        const text = art.texts.find((t) => t.id === block.blockId);
        if (!text) return null;
        return (
          <TextHandle
            key={block.blockId}
            role="button"
            tabIndex={0}
            aria-pressed={textId === block.blockId}
            aria-label={`Words: ${text.text.slice(0, 40)}. Drag or use the arrow keys to move`}
            style={roomy(at(text.leftMm, text.topMm, text.widthMm, block.box.heightMm))}
            onPointerDown={(event) => {
              set({ textId: text.id });
              start(event, text.leftMm, text.topMm);
            }}
            onPointerMove={(event) => moveText(event, text)}
            onPointerUp={stop}
            onFocus={() => set({ textId: text.id })}
            onKeyDown={(event) => nudgeText(event, text)}
          />
        );
      })}
    </>
  );
}

const SMALLEST_HANDLE_PX = 24;

interface Place {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** A line of small words still gives a finger something to take hold of. Source: WCAG 2.2, 2.5.8. */
function roomy({ left, top, width, height }: Place): Place {
  const [dx, dy] = [Math.max(0, SMALLEST_HANDLE_PX - width), Math.max(0, SMALLEST_HANDLE_PX - height)];
  return { left: left - dx / 2, top: top - dy / 2, width: width + dx, height: height + dy };
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

const MOODS: Readonly<Record<Mood, string>> = {
  display: 'Display',
  serif: 'Serif',
  plain: 'Plain',
  script: 'Script',
  hand: 'Hand',
};

export function ArtSlip(props: StationProps): ReactNode {
  const { job, plan, workshop } = props;
  const { textId, set } = useView();
  const { face, art, setFace, setText, placePicture } = useFace(props);
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
      {text && (
        <Words aria-label="Words in hand">
          <WordsField
            label="Words"
            rows={3}
            value={text.text}
            onChange={(value) => setText(text.id, { text: value }, `words-${text.id}`)}
          />
          <Pick
            label="Typeface"
            value={text.typefaceId}
            onChange={(id) => setText(text.id, { typefaceId: id })}
            sections={(Object.keys(MOODS) as Mood[]).map((mood) => ({
              heading: MOODS[mood],
              options: TYPEFACES.filter((t) => t.mood === mood).map((t) => ({ id: t.id, name: t.name })),
            }))}
          />
          <Two>
            <NumberField
              label="Size, pt"
              whole={false}
              value={text.sizePt}
              least={1}
              most={400}
              onCommit={(sizePt) => setText(text.id, { sizePt })}
            />
            <NumberField
              label="Line spacing"
              whole={false}
              value={text.lineSpacing}
              least={0.5}
              most={5}
              onCommit={(lineSpacing) => setText(text.id, { lineSpacing })}
            />
          </Two>
          <Choice
            label="Lines"
            value={text.align}
            options={[
              { id: 'left', name: 'Left' },
              { id: 'centre', name: 'Centred' },
              { id: 'right', name: 'Right' },
            ]}
            onChange={(align) => setText(text.id, { align })}
          />
          <ColourField
            label="Colour"
            value={text.colour}
            onChange={(colour) => setText(text.id, { colour: colour ?? DEFAULTS.textColour }, `colour-${text.id}`)}
          />
          <Two>
            <LengthField
              label="From the left"
              mm={text.leftMm}
              unit={workshop.unit}
              least={-1000}
              most={1000}
              onCommit={(leftMm) => setText(text.id, { leftMm })}
            />
            <LengthField
              label="From the top"
              mm={text.topMm}
              unit={workshop.unit}
              least={-1000}
              most={1000}
              onCommit={(topMm) => setText(text.id, { topMm })}
            />
            <LengthField
              label="Block width"
              mm={text.widthMm}
              unit={workshop.unit}
              least={1}
              most={1000}
              onCommit={(widthMm) => setText(text.id, { widthMm })}
            />
          </Two>
          <Row>
            <Press onPress={() => setText(text.id, { leftMm: (face.face.widthMm - text.widthMm) / 2 })}>
              Centre on the face
            </Press>
            <Quiet
              onPress={() => {
                setFace({ texts: art.texts.filter((t) => t.id !== text.id) });
                set({ textId: null });
              }}
            >
              Take these words off
            </Quiet>
          </Row>
        </Words>
      )}
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
const PictureHandle = styled.div`
  position: absolute;
  cursor: grab;
  touch-action: none;
`;
const TextHandle = styled.div`
  position: absolute;
  border: 1px dashed transparent;
  cursor: move;
  touch-action: none;
  &:hover {
    border-color: ${({ theme }) => theme.colour.onSlateQuiet};
  }
  &[aria-pressed='true'] {
    border-color: ${({ theme }) => theme.colour.marigold};
    box-shadow: 0 0 0 1px rgb(29 41 48 / 0.6);
  }
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
const Words = styled.div`
  display: grid;
  gap: 10px;
  padding: 12px;
  border: 1px solid ${({ theme }) => theme.colour.rule};
  border-radius: 6px;
  background: ${({ theme }) => theme.colour.paperShade};
`;
