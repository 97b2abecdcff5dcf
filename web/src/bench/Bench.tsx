import { useLayoutEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import styled from 'styled-components';
import type { Box, Job, LengthUnit, Scene } from '@zippy/core';
import { useView } from '../stores/view/index.ts';
import { BenchButton } from '../ui/buttons.tsx';
import { Rulers, RULER_PX } from './Rulers.tsx';
import { SceneView } from './SceneView.tsx';

/** CSS fixes 96 px to the inch; a screen’s own inch may differ a little. */
const TRUE_PX_PER_MM = 96 / 25.4;
const TEXT_PX = 13;
const PAD_PX = 64;
const CAPTION_PX = 34;

export interface BenchGeometry {
  readonly pxPerMm: number;
  readonly textMm: number;
  readonly originPx: { readonly x: number; readonly y: number };
}

/**
 * The piece at this stage, to scale on slate between two rulers.
 * `content` is the piece itself; the scene may reach further with dimensions and lettering.
 */
export function Bench({
  content,
  draw,
  pictures,
  unit,
  label,
  tools,
  overlay,
  caption,
  above,
  beside,
}: {
  readonly content: Box;
  readonly draw: (textMm: number) => Scene;
  readonly pictures: Job['pictures'];
  readonly unit: LengthUnit;
  readonly label: string;
  readonly tools?: ReactNode;
  readonly overlay?: (geometry: BenchGeometry) => ReactNode;
  readonly caption?: ReactNode;
  /** A row over the ground. */
  readonly above?: ReactNode;
  /** Drawn at the right of the ground. */
  readonly beside?: ReactNode;
}): ReactNode {
  const stage = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 800, height: 500 });
  const zoom = useView((s) => s.zoom);
  const zoomTo = useView((s) => s.zoomTo);
  useLayoutEffect(() => {
    const element = stage.current!;
    const watcher = new ResizeObserver(() => setSize({ width: element.clientWidth, height: element.clientHeight }));
    watcher.observe(element);
    return () => watcher.disconnect();
  }, []);
  // A caption floats over the foot of the ground; the piece stands clear of it.
  const foot = caption ? CAPTION_PX : 0;
  const fit = Math.max(
    0.2,
    Math.min(
      (size.width - RULER_PX - 2 * PAD_PX) / content.widthMm,
      (size.height - RULER_PX - 2 * PAD_PX - foot) / content.heightMm,
      9,
    ),
  );
  const pxPerMm = fit * zoom;
  const textMm = TEXT_PX / pxPerMm;
  const scene = useMemo(() => draw(textMm), [draw, textMm]);
  const roomX = Math.max(size.width, content.widthMm * pxPerMm + 2 * PAD_PX + RULER_PX);
  const roomY = Math.max(size.height, content.heightMm * pxPerMm + 2 * PAD_PX + RULER_PX + foot);
  const originPx = {
    x: RULER_PX + (roomX - RULER_PX) / 2 - (content.xMm + content.widthMm / 2) * pxPerMm,
    y: RULER_PX + (roomY - RULER_PX - foot) / 2 - (content.yMm + content.heightMm / 2) * pxPerMm,
  };
  return (
    <Ground aria-label="Bench">
      {above}
      <Middle>
        <Stage
          ref={stage}
          tabIndex={zoom > 1 ? 0 : -1}
          aria-label={zoom > 1 ? 'Scroll to see the rest of the piece' : undefined}
          role="group"
        >
          <div className="room" style={{ width: roomX, height: roomY }}>
            <div
              className="piece"
              style={{
                left: originPx.x + scene.box.xMm * pxPerMm,
                top: originPx.y + scene.box.yMm * pxPerMm,
                width: scene.box.widthMm * pxPerMm,
                height: scene.box.heightMm * pxPerMm,
              }}
            >
              <SceneView scene={scene} pictures={pictures} label={label} />
            </div>
            {overlay?.({ pxPerMm, textMm, originPx })}
            <Rulers unit={unit} pxPerMm={pxPerMm} originPx={originPx} widthPx={roomX} heightPx={roomY} />
          </div>
        </Stage>
        {caption && <Caption>{caption}</Caption>}
        {beside}
      </Middle>
      <Tools>
        <div>{tools}</div>
        <div>
          <BenchButton aria-label="Smaller" onPress={() => zoomTo(Math.max(0.5, zoom / 1.25))}>
            −
          </BenchButton>
          <BenchButton aria-label="Larger" onPress={() => zoomTo(Math.min(8, zoom * 1.25))}>
            +
          </BenchButton>
          <BenchButton onPress={() => zoomTo(1)}>Fit</BenchButton>
          <BenchButton onPress={() => zoomTo(TRUE_PX_PER_MM / fit)}>True size</BenchButton>
        </div>
      </Tools>
    </Ground>
  );
}

export const Ground = styled.section`
  position: relative;
  display: flex;
  flex-direction: column;
  min-width: 0;
  min-height: 0;
  background-color: ${({ theme }) => theme.colour.slate};
  color: ${({ theme }) => theme.colour.onSlate};
`;
/** Where captions float over the piece, above whatever height the tools take. */
export const Middle = styled.div`
  position: relative;
  display: flex;
  flex: 1;
  min-height: 0;
`;
const Stage = styled.div`
  flex: 1;
  min-width: 0;
  min-height: 0;
  overflow: auto;
  .room {
    position: relative;
    background-image: radial-gradient(rgb(255 255 255 / 0.07) 1px, transparent 1px);
    background-size: 22px 22px;
  }
  .piece {
    position: absolute;
    filter: drop-shadow(0 3px 9px rgb(0 0 0 / 0.28));
  }
  .piece > svg {
    display: block;
    width: 100%;
    height: 100%;
    overflow: visible;
  }
  /* Guides over dark art need an edge of light. */
  .piece svg path[data-role='safe'],
  .piece svg path[data-role='trim'] {
    filter: drop-shadow(0 0 0.12px ${({ theme }) => theme.colour.white})
      drop-shadow(0 0 0.12px ${({ theme }) => theme.colour.white});
  }
  /* Lettering drawn about the piece lies on slate, so it is pale; lettering on paper keeps its ink. */
  .piece svg text[data-role='dimension'] {
    fill: ${({ theme }) => theme.colour.onSlate};
  }
  .piece svg path[data-role='dimension'] {
    stroke: ${({ theme }) => theme.colour.onSlateQuiet};
  }
`;
export const Caption = styled.p`
  position: absolute;
  left: 50%;
  bottom: 12px;
  pointer-events: none;
  transform: translateX(-50%);
  max-width: 80%;
  padding: 5px 12px;
  border-radius: 6px;
  background: rgb(29 41 48 / 0.82);
  font-size: 15px;
  text-align: center;
`;
export const Tools = styled.div`
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 12px;
  padding: 8px 12px;
  border-top: 1px solid ${({ theme }) => theme.colour.slateLine};
  background: ${({ theme }) => theme.colour.slateDeep};
  > div {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 6px;
  }
`;
