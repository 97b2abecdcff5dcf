import { Canvas, useThree } from '@react-three/fiber';
import { useEffect, useMemo, useState, type ReactNode } from 'react';
import { BackSide, Box3, DirectionalLight, DoubleSide, FrontSide, Vector3, type Texture } from 'three';
import { useTheme } from 'styled-components';
import {
  inSpace,
  move,
  pageLeft,
  standing,
  type FoldedPiece,
  type Job,
  type LayerPrints,
  type PaperSide,
  type Pose,
  type Shape,
} from '@zippy/core';
import { Eye, FIELD_OF_VIEW_DEG } from './Eye.ts';
import { panelGeometry } from './panelGeometry.ts';
import { PopUpSolids } from './PopUpSolids.tsx';
import { TrimmingSolids } from './TrimmingSolids.tsx';
import { sideTexture } from './sideTexture.ts';
import { toMatrix } from './toMatrix.ts';

export interface FoldedSceneProps {
  readonly size: FoldedPiece;
  readonly poses: ReadonlyMap<string, Pose>;
  readonly stockColour: string;
  readonly art: Readonly<Record<PaperSide, readonly Shape[]>>;
  readonly pictures: Job['pictures'];
  /** What is printed on layers and pop-ups, by their pieces. */
  readonly prints: LayerPrints;
  /** The layer in hand, whose parts stand out. */
  readonly chosen: number | null;
  /** How the camera stands about the card. */
  readonly yawDeg: number;
  readonly pitchDeg: number;
  /** A table under the card, at height 0. */
  readonly table: boolean;
  /** Said when the graphics give up, so that the drawn view can take over. */
  readonly onLost: () => void;
}

/** The card in three dimensions, with its own art, colour and thickness. */
export default function FoldedScene(props: FoldedSceneProps): ReactNode {
  const { size, stockColour, art, pictures, onLost } = props;
  const [sides, setSides] = useState<Readonly<Record<PaperSide, Texture>> | null>(null);
  useEffect(() => {
    let wanted = true;
    void Promise.all(
      (['outside', 'inside'] as const).map((side) => sideTexture(size.form.blank, stockColour, art[side], pictures)),
    ).then(([outside, inside]) => {
      if (wanted) setSides({ outside: outside!, inside: inside! });
    });
    return () => {
      wanted = false;
    };
  }, [size.form, stockColour, art, pictures]);
  useEffect(
    () => () => {
      sides?.outside.dispose();
      sides?.inside.dispose();
    },
    [sides],
  );
  return (
    <Canvas
      flat
      shadows
      frameloop="demand"
      dpr={[1, 2]}
      camera={{ fov: FIELD_OF_VIEW_DEG, near: 10, far: 20_000 }}
      gl={{ antialias: true, preserveDrawingBuffer: true }}
      onCreated={({ gl }) => gl.domElement.addEventListener('webglcontextlost', onLost)}
    >
      {sides && <Card {...props} sides={sides} />}
    </Canvas>
  );
}

function Card({
  size,
  poses,
  stockColour,
  yawDeg,
  pitchDeg,
  table,
  sides,
  prints,
  pictures,
  chosen,
  art,
}: FoldedSceneProps & { readonly sides: Readonly<Record<PaperSide, Texture>> }): ReactNode {
  const { blank } = size.form;
  const { caliperMm } = size.folding;
  const { popUps } = size;
  const panels = useMemo(
    () =>
      blank.panels.flatMap((panel) =>
        (popUps ? pageLeft(popUps, panel) : [panel]).map((left, i) => ({
          ...{ id: panel.id, key: `${panel.id} ${i}` },
          ...panelGeometry(left, blank, caliperMm),
        })),
      ),
    [blank, caliperMm, popUps],
  );
  useEffect(
    () => () => {
      for (const { face, rim, edge } of panels) {
        face.dispose();
        rim.dispose();
        edge.dispose();
      }
    },
    [panels],
  );
  const now = useMemo(() => (popUps ? standing(popUps, size, poses) : null), [popUps, size, poses]);
  const bounds = useMemo(() => {
    const box = new Box3();
    for (const panel of blank.panels)
      for (const p of panel.outline) box.expandByPoint(new Vector3(...move(poses.get(panel.id)!, inSpace(p))));
    for (const { partId, panelId, pose } of now?.panels ?? []) {
      const part = popUps!.parts.find(({ id }) => id === partId)!;
      for (const p of part.blank.panels.find(({ id }) => id === panelId)!.outline)
        box.expandByPoint(new Vector3(...move(pose, inSpace(p))));
    }
    for (const { quads } of now?.sheets ?? [])
      for (const quad of quads) for (const p of quad) box.expandByPoint(new Vector3(...p));
    return box;
  }, [blank, poses, now, popUps]);
  const reach = Math.max(60, bounds.getSize(new Vector3()).length());
  const invalidate = useThree((s) => s.invalidate);
  useEffect(() => invalidate(), [poses, panels, sides, now, prints, chosen, invalidate]);
  const middle = useMemo(() => bounds.getCenter(new Vector3()), [bounds]);
  const half = caliperMm / 2;
  const lamp = useLamp(middle, reach);
  const theme = useTheme();
  return (
    <>
      <Eye middle={middle} reach={reach} yawDeg={yawDeg} pitchDeg={pitchDeg} />
      <ambientLight intensity={2.15} />
      <primitive object={lamp} />
      <primitive object={lamp.target} />
      {panels.map(({ id, key, face, rim, edge }) => (
        <group key={key} matrix={toMatrix(poses.get(id)!)} matrixAutoUpdate={false}>
          <mesh geometry={face} position={[0, 0, half]} castShadow receiveShadow>
            <meshStandardMaterial map={sides.outside} side={FrontSide} roughness={0.95} metalness={0} />
          </mesh>
          <mesh geometry={face} position={[0, 0, -half]} castShadow receiveShadow>
            <meshStandardMaterial map={sides.inside} side={BackSide} roughness={0.95} metalness={0} />
          </mesh>
          <mesh geometry={rim}>
            <meshStandardMaterial color={stockColour} side={DoubleSide} roughness={1} />
          </mesh>
          <TrimmingSolids size={size} panelId={id} />
          <lineLoop geometry={edge}>
            <lineBasicMaterial color="#1d2930" transparent opacity={0.28} />
          </lineLoop>
        </group>
      ))}
      {popUps && now && <PopUpSolids {...{ size, popUps, now, prints, pictures, chosen, stockColour, art }} />}
      {table && (
        <mesh rotation={[-Math.PI / 2, 0, 0]} position={[middle.x, -0.2, middle.z]} receiveShadow>
          <circleGeometry args={[reach * 0.72, 96]} />
          <meshStandardMaterial color={theme.colour.slateLine} roughness={1} />
        </mesh>
      )}
    </>
  );
}

/** Light from the upper left in front, wide enough to throw the whole card’s shadow. */
function useLamp(middle: Vector3, reach: number): DirectionalLight {
  const lamp = useMemo(() => {
    const light = new DirectionalLight('#ffffff', 1.6);
    light.castShadow = true;
    light.shadow.mapSize.set(1024, 1024);
    light.shadow.bias = -0.0004;
    light.shadow.normalBias = 0.5;
    light.shadow.radius = 6;
    return light;
  }, []);
  useEffect(() => {
    lamp.position.set(middle.x - reach * 0.6, middle.y + reach * 1.1, middle.z + reach * 0.9);
    lamp.target.position.copy(middle);
    lamp.target.updateMatrixWorld();
    const eye = lamp.shadow.camera;
    [eye.left, eye.right, eye.top, eye.bottom] = [-reach, reach, reach, -reach];
    [eye.near, eye.far] = [1, reach * 4];
    eye.updateProjectionMatrix();
  }, [lamp, middle, reach]);
  useEffect(() => () => lamp.dispose(), [lamp]);
  return lamp;
}
