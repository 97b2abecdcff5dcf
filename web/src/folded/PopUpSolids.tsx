import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { BackSide, BufferGeometry, DoubleSide, Float32BufferAttribute, FrontSide, type Texture } from 'three';
import type { FoldedPiece, Job, LayerPiece, LayerPrints, PopUpPlan, Standing } from '@zippy/core';
import { panelGeometry } from './panelGeometry.ts';
import { sideTexture } from './sideTexture.ts';
import { toMatrix } from './toMatrix.ts';

/** Everything that moves as the card opens, where it stands now. */
export function PopUpSolids({
  size,
  popUps,
  now,
  prints,
  pictures,
  chosen,
}: {
  readonly size: FoldedPiece;
  readonly popUps: PopUpPlan;
  readonly now: Standing;
  readonly prints: LayerPrints;
  readonly pictures: Job['pictures'];
  /** The layer in hand, whose parts stand out. */
  readonly chosen: number | null;
}): ReactNode {
  const pieceOf = (partId: string): LayerPiece => size.layers.find(({ id }) => id === partId)!;
  return (
    <>
      {popUps.parts.map((part) => (
        <Part
          key={part.id}
          part={part}
          piece={pieceOf(part.id)}
          panels={now.panels.filter(({ partId }) => partId === part.id)}
          print={prints[part.id]?.shapes ?? null}
          pictures={pictures}
          stands={pieceOf(part.id).layer === chosen}
        />
      ))}
      {now.sheets.map(({ partId, quads }) => (
        <Bent key={partId} quads={quads} colour={pieceOf(partId).stock.colour} />
      ))}
    </>
  );
}

function Part({
  part,
  piece,
  panels,
  print,
  pictures,
  stands,
}: {
  readonly part: PopUpPlan['parts'][number];
  readonly piece: LayerPiece;
  readonly panels: Standing['panels'];
  readonly print: LayerPrints[string]['shapes'] | null;
  readonly pictures: Job['pictures'];
  readonly stands: boolean;
}): ReactNode {
  const { blank } = part;
  const caliperMm = piece.stock.caliperMicron / 1000;
  const { colour } = piece.stock;
  const front = useTexture(part, colour, print, pictures);
  const solids = useMemo(
    () => blank.panels.map((panel) => ({ id: panel.id, ...panelGeometry(panel, blank, caliperMm) })),
    [blank, caliperMm],
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
  return panels.map(({ panelId, pose }) => {
    const { face, rim, edge } = solids.find(({ id }) => id === panelId)!;
    return (
      <group key={panelId} matrix={toMatrix(pose)} matrixAutoUpdate={false}>
        <mesh geometry={face} position={[0, 0, caliperMm / 2]} castShadow receiveShadow>
          {front ? (
            <meshStandardMaterial key="print" map={front} side={FrontSide} roughness={0.95} />
          ) : (
            <meshStandardMaterial key="bare" color={colour} side={FrontSide} roughness={0.95} />
          )}
        </mesh>
        <mesh geometry={face} position={[0, 0, -caliperMm / 2]} castShadow receiveShadow>
          <meshStandardMaterial color={colour} side={BackSide} roughness={0.95} />
        </mesh>
        <mesh geometry={rim}>
          <meshStandardMaterial color={colour} side={DoubleSide} roughness={1} />
        </mesh>
        <lineLoop geometry={edge}>
          <lineBasicMaterial color={stands ? '#f2b01e' : '#1d2930'} transparent opacity={stands ? 1 : 0.28} />
        </lineLoop>
      </group>
    );
  });
}

/** What is printed on a part, as a picture of its whole blank; none for bare stock. */
function useTexture(
  { blank }: PopUpPlan['parts'][number],
  colour: string,
  print: LayerPrints[string]['shapes'] | null,
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
