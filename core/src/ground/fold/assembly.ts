import { determinant, type Affine } from '../geometry/affine.ts';
import type { Mm } from '../length/types.ts';
import { foldBlank, inSpace } from './foldBlank.ts';
import { chain, minus, move, undo, type Pose } from './space.ts';
import type { Blank, FoldState } from './types.ts';

/** Card glued to card: a panel of a part lies flat on a panel of the piece that carries it. */
export interface Joint {
  readonly id: string;
  /** Of the piece that carries the part. */
  readonly panelId: string;
  readonly partPanelId: string;
  /**
   * From the part’s flat blank to the carrying one’s, where the two lie on each other: rigid, and mirrored where their
   * outsides face each other.
   */
  readonly onto: Affine;
}

/** A piece glued on. Its first joint carries it; each further one closes a loop, which rigid card may not be able to. */
export interface Part {
  readonly id: string;
  readonly blank: Blank;
  readonly joints: readonly [Joint, ...Joint[]];
}

/** A carrying piece with parts, beside the tree of panels that each of them is. */
export interface Assembly {
  readonly blank: Blank;
  /** Keeps its place while the others turn. */
  readonly restingPanelId: string;
  readonly parts: readonly Part[];
}

/** How far each crease of each piece is folded; parts by their ids. */
export interface AssemblyState {
  readonly carrying: FoldState;
  readonly parts: Readonly<Record<string, FoldState>>;
}

export interface FoldedPart {
  readonly poses: ReadonlyMap<string, Pose>;
  /**
   * By joint after the first, how far the glued panel’s corners are from where the glue holds them, mm: nothing where
   * the loop closes, and what must stretch, buckle or tear where it does not.
   */
  readonly gapsMm: Readonly<Record<string, Mm>>;
}

/**
 * Rigid panels of a card and of what is glued on it, at one state of all their creases.
 * @throws RangeError when a joint’s map is not rigid, or a panel is not there
 */
export function foldAssembly(
  { blank, restingPanelId, parts }: Assembly,
  state: AssemblyState,
): { readonly carrying: ReadonlyMap<string, Pose>; readonly parts: Readonly<Record<string, FoldedPart>> } {
  const carrying = foldBlank(blank, state.carrying, restingPanelId);
  const at = (id: string): Pose => {
    const pose = carrying.get(id);
    if (!pose) throw new RangeError(`foldAssembly: no panel “${id}” on the carrying piece`);
    return pose;
  };
  return {
    carrying,
    parts: Object.fromEntries(
      parts.map((part): [string, FoldedPart] => {
        const [first, ...others] = part.joints;
        const held = (joint: Joint): Pose => chain(at(joint.panelId), lifted(joint.onto));
        const poses = foldBlank(part.blank, state.parts[part.id] ?? {}, first.partPanelId, held(first));
        const gaps = others.map((joint): [string, Mm] => {
          const panel = part.blank.panels.find(({ id }) => id === joint.partPanelId);
          if (!panel) throw new RangeError(`foldAssembly: no panel “${joint.partPanelId}” on part “${part.id}”`);
          const off = chain(undo(held(joint)), poses.get(panel.id)!);
          return [
            joint.id,
            Math.max(...panel.outline.map((p) => Math.hypot(...minus(move(off, inSpace(p)), inSpace(p))))),
          ];
        });
        return [part.id, { poses, gapsMm: Object.fromEntries(gaps) }];
      }),
    ),
  };
}

/** A rigid map of the plane, y down, as a pose of space, y up; a mirrored one turns the paper over. */
function lifted(map: Affine): Pose {
  const [a, b, c, d, e, f] = map;
  const det = determinant(map);
  const isRigid = Math.abs(Math.abs(det) - 1) < 1e-9 && Math.abs(Math.hypot(a, b) - 1) < 1e-9;
  if (!isRigid) throw new RangeError(`foldAssembly: a joint wanted a rigid map, got one of determinant ${det}`);
  return {
    rows: [
      [a, -c, 0],
      [-b, d, 0],
      [0, 0, Math.sign(det)],
    ],
    shift: [e, -f, 0],
  };
}
