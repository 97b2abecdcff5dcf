import { useEffect, useMemo, useState, type ReactNode } from 'react';
import {
  BackSide,
  BufferGeometry,
  DoubleSide,
  Float32BufferAttribute,
  FrontSide,
  type Side,
  type Texture,
} from 'three';
import {
  artOfCutIn,
  isCutIn,
  partLeft,
  type FoldedPiece,
  type Job,
  type LayerPiece,
  type LayerPrints,
  type PaperSide,
  type PopUpPlan,
  type Shape,
  type Standing,
} from '@zippy/core';
import { panelGeometry } from './panelGeometry.ts';
import { sideTexture } from './sideTexture.ts';
import { toMatrix } from './toMatrix.ts';

type Sides = Readonly<Record<PaperSide, readonly Shape[]>>;

/** Everything that moves as the card opens, where it stands now. */
export function PopUpSolids({
  size,
  popUps,
  now,
  prints,
  pictures,
  chosen,
  stockColour,
  art,
}: {
  readonly size: FoldedPiece;
  readonly popUps: PopUpPlan;
  readonly now: Standing;
  readonly prints: LayerPrints;
  readonly pictures: Job['pictures'];
  /** The layer in hand, whose parts stand out. */
  readonly chosen: number | null;
  /** Of the card itself, which what is cut in is made of. */
  readonly stockColour: string;
  readonly art: Sides;
}): ReactNode {
  const pieceOf = (partId: string): LayerPiece => size.layers.find(({ id }) => id === partId)!;
  const own = new Set(popUps.order.find(({ layer }) => layer === chosen)?.partIds ?? []);
  // Made once for each plan, so that a texture is not drawn anew with every opening.
  const cutIns = useMemo(
    () => new Map(popUps.parts.filter(isCutIn).map((part) => [part.id, artOfCutIn(popUps, part, art)])),
    [popUps, art],
  );
  return (
    <>
      {popUps.parts.map((part) => {
        const cutIn = cutIns.get(part.id);
        const stock = cutIn ? null : pieceOf(part.id).stock;
        return (
          <Part
            key={part.id}
            {...{ popUps, part, pictures }}
            colour={stock?.colour ?? stockColour}
            caliperMm={stock ? stock.caliperMicron / 1000 : size.folding.caliperMm}
            panels={now.panels.filter(({ partId }) => partId === part.id)}
            front={cutIn?.outside ?? prints[part.id]?.shapes ?? null}
            back={cutIn?.inside ?? prints[part.id]?.back ?? null}
            stands={own.has(part.id)}
          />
        );
      })}
      {now.sheets.map(({ partId, quads }) => (
        <Bent key={partId} quads={quads} colour={pieceOf(partId).stock.colour} />
      ))}
    </>
  );
}

function Part({
  popUps,
  part,
  colour,
  caliperMm,
  panels,
  front: printed,
  back: behind,
  pictures,
  stands,
}: {
  readonly popUps: PopUpPlan;
  readonly part: PopUpPlan['parts'][number];
  readonly colour: string;
  readonly caliperMm: number;
  readonly panels: Standing['panels'];
  /** What is printed on either side, in the part’s own frame; null for bare stock. */
  readonly front: readonly Shape[] | null;
  readonly back: readonly Shape[] | null;
  readonly pictures: Job['pictures'];
  readonly stands: boolean;
}): ReactNode {
  const { blank } = part;
  const front = useTexture(part, colour, printed, pictures);
  const back = useTexture(part, colour, behind, pictures);
  const solids = useMemo(
    () =>
      blank.panels.flatMap((panel) =>
        partLeft(popUps, part, panel).map((left, i) => ({
          ...{ id: panel.id, key: `${panel.id} ${i}` },
          ...panelGeometry(left, blank, caliperMm),
        })),
      ),
    [popUps, part, blank, caliperMm],
  );
  useEffect(
    () => () => {
      for (const { face, rim, edge } of solids) {
        face.dispose();
        rim.dispose();
        edge.dispose();
      }
    },
    [solids],
  );
  return panels.flatMap(({ panelId, pose }) =>
    solids
      .filter(({ id }) => id === panelId)
      .map(({ key, face, rim, edge }) => (
        <group key={key} matrix={toMatrix(pose)} matrixAutoUpdate={false}>
          <mesh geometry={face} position={[0, 0, caliperMm / 2]} castShadow receiveShadow>
            <Skin texture={front} colour={colour} side={FrontSide} />
          </mesh>
          <mesh geometry={face} position={[0, 0, -caliperMm / 2]} castShadow receiveShadow>
            <Skin texture={back} colour={colour} side={BackSide} />
          </mesh>
          <mesh geometry={rim}>
            <meshStandardMaterial color={colour} side={DoubleSide} roughness={1} />
          </mesh>
          <lineLoop geometry={edge}>
            <lineBasicMaterial color={stands ? '#f2b01e' : '#1d2930'} transparent opacity={stands ? 1 : 0.28} />
          </lineLoop>
        </group>
      )),
  );
}

/** One side of a part: its print, or bare stock. */
function Skin({
  texture,
  colour,
  side,
}: {
  readonly texture: Texture | null;
  readonly colour: string;
  readonly side: Side;
}): ReactNode {
  // Another material, not one whose texture comes later: that one would have been made without.
  return texture ? (
    <meshStandardMaterial key="print" map={texture} side={side} roughness={0.95} />
  ) : (
    <meshStandardMaterial key="bare" color={colour} side={side} roughness={0.95} />
  );
}

/** What is printed on a part, as a picture of its whole blank; none for bare stock. */
function useTexture(
  { blank }: PopUpPlan['parts'][number],
  colour: string,
  print: readonly Shape[] | null,
  pictures: Job['pictures'],
): Texture | null {
  const [texture, setTexture] = useState<Texture | null>(null);
  useEffect(() => {
    if (!print) return undefined;
    let wanted = true;
    void sideTexture(blank, colour, print, pictures).then((made) => {
      if (wanted) setTexture(made);
      else made.dispose();
    });
    return () => {
      wanted = false;
      setTexture((before) => {
        before?.dispose();
        return null;
      });
    };
  }, [blank, colour, print, pictures]);
  return texture;
}

/** A sheet that lies in no plane, in triangles. */
function Bent({
  quads,
  colour,
}: {
  readonly quads: Standing['sheets'][number]['quads'];
  readonly colour: string;
}): ReactNode {
  const geometry = useMemo(() => {
    const made = new BufferGeometry();
    const corners = quads.flatMap(([p, q, r, s]) => [...p, ...q, ...r, ...p, ...r, ...s]);
    made.setAttribute('position', new Float32BufferAttribute(corners, 3));
    made.computeVertexNormals();
    return made;
  }, [quads]);
  useEffect(() => () => geometry.dispose(), [geometry]);
  return (
    <mesh geometry={geometry} castShadow receiveShadow>
      <meshStandardMaterial color={colour} side={DoubleSide} roughness={0.95} flatShading />
    </mesh>
  );
}
