import { useMemo, type ReactNode } from 'react';
import styled from 'styled-components';
import {
  apply,
  compose,
  drawBlank,
  drawFolded,
  grow,
  evenSides,
  viewOf,
  type PaperSide,
  type ReadFace,
  type Scene,
  type Shape,
} from '@zippy/core';
import { SceneView } from '../../bench/SceneView.tsx';
import { useView } from '../../stores/view/index.ts';
import { useSeenPanels, type StationProps } from '../parts.ts';
import type { Home } from './facesOf.ts';

const NO_PRINTS = {};

/**
 * The face in hand in its two other places: where it lies on the open blank, often upside-down there, and on the
 * folded card.
 */
export function FaceBeside({
  job,
  plan,
  workshop,
  face,
  sides,
  home,
}: StationProps & {
  readonly home: Home;
  readonly face: ReadFace;
  readonly sides: Readonly<Record<PaperSide, readonly Shape[]>>;
}): ReactNode {
  const { pickFace, showFolded } = useView.getState();
  const size = home.piece;
  const panels = useSeenPanels(plan);
  const prints = home.isEnvelope ? NO_PRINTS : panels;
  const { blank } = size.form;
  const stockColour = home.colour;
  const { side } = face;
  const open = useMemo((): Scene => {
    const scene = drawBlank(size, {
      ...{ side, unit: workshop.unit, stockColour, textMm: 1, names: false, guides: false },
      art: sides[side],
      prints,
    });
    const pad = Math.max(blank.widthMm, blank.heightMm) * 0.03;
    return {
      ...scene,
      box: grow({ xMm: 0, yMm: 0, widthMm: blank.widthMm, heightMm: blank.heightMm }, evenSides(pad)),
    };
  }, [size, blank, side, workshop.unit, stockColour, sides, prints]);
  const folded = useMemo(
    (): Scene => drawFolded(size, { open: 0.3, stockColour, art: sides, prints }),
    [size, stockColour, sides, prints],
  );
  const map = viewOf(size, side);
  const { xMm, yMm, widthMm, heightMm } = open.box;
  // A flat card is its blank, and nothing is upside-down on it.
  if (blank.creases.length === 0 && size.layers.length === 0) return null;
  return (
    <Beside aria-label="The face on the blank and on the card">
      <figure>
        <div className="blank">
          <SceneView
            scene={open}
            pictures={job.pictures}
            label={`The open blank, ${side} up, with the ${face.name.toLowerCase()} marked`}
          />
          {/* For the pointer; keys choose faces by the presses below. */}
          <svg viewBox={`${xMm} ${yMm} ${widthMm} ${heightMm}`} aria-hidden>
            {size.faces
              .filter((one) => one.side === side)
              .map((one) => (
                <polygon
                  key={one.id}
                  data-in-hand={one.id === face.id || undefined}
                  points={corners(one)
                    .map((p) => apply(compose(map, one.toBlank), p))
                    .map((p) => `${p.xMm},${p.yMm}`)
                    .join(' ')}
                  onClick={() => pickFace(one.id)}
                />
              ))}
          </svg>
        </div>
        <figcaption>{blank.creases.length > 0 ? `On the blank, ${side} up` : 'With its layers'}</figcaption>
      </figure>
      {blank.creases.length > 0 && (
        <figure>
          <button type="button" aria-label="See it folded" onClick={() => showFolded(true)}>
            <SceneView scene={folded} pictures={job.pictures} />
          </button>
          <figcaption>Folded</figcaption>
        </figure>
      )}
    </Beside>
  );
}

const corners = ({ widthMm, heightMm }: ReadFace) =>
  [
    [0, 0],
    [1, 0],
    [1, 1],
    [0, 1],
  ].map(([x, y]) => ({ xMm: x! * widthMm, yMm: y! * heightMm }));

const Beside = styled.aside`
  flex: none;
  display: grid;
  align-content: start;
  gap: 14px;
  width: 196px;
  padding: 40px 12px 12px;
  overflow-y: auto;
  border-left: 1px solid ${({ theme }) => theme.colour.slateLine};
  background: ${({ theme }) => theme.colour.slateDeep};
  /* The face itself needs the room on a tablet. */
  @media (max-width: 1100px) {
    display: none;
  }
  figure {
    display: grid;
    gap: 4px;
    margin: 0;
  }
  figcaption {
    color: ${({ theme }) => theme.colour.onSlateQuiet};
    font-size: 14px;
    text-align: center;
  }
  .blank {
    position: relative;
  }
  svg {
    display: block;
    width: 100%;
    max-height: 230px;
  }
  .blank > svg + svg {
    position: absolute;
    inset: 0;
    height: 100%;
  }
  polygon {
    fill: transparent;
    cursor: pointer;
  }
  polygon[data-in-hand] {
    stroke: ${({ theme }) => theme.colour.marigold};
    stroke-width: 3px;
    vector-effect: non-scaling-stroke;
  }
  button {
    padding: 6px;
    border: 0;
    border-radius: 6px;
    background: none;
    cursor: pointer;
  }
  button:hover {
    background: ${({ theme }) => theme.colour.slate};
  }
`;
