import { polygon } from '../../../ground/geometry/path.ts';
import type { PaperSide } from '../../../ground/fold/types.ts';
import type { Job, NamesList } from '../../../job/types.ts';
import type { Shape } from '../../../ground/scene/types.ts';
import type { FoldedPiece } from '../../size/planSize.ts';
import { drawLine } from '../faces/drawCard.ts';
import { filled } from '../faces/layFace.ts';
import { isNamed } from '../../../job/namesList.ts';
import { setText } from '../words/setText.ts';
import type { TypefaceBook } from '../words/typefaces.ts';

/** One card of a list. */
interface NamedCard {
  readonly side: PaperSide;
  readonly names: NamesList;
  /** From nought; null for a spare that repeats nobody. */
  readonly row: number | null;
  readonly book: TypefaceBook;
  readonly outlines: boolean;
}

/** The words of one row of a list, on one side of the blank; nothing but the words that come from it. */
export function drawNamed(
  job: Job,
  size: FoldedPiece,
  { side, names, row, book, outlines }: NamedCard,
): readonly Shape[] {
  return size.faces
    .filter((face) => face.side === side)
    .flatMap((face): readonly Shape[] => {
      const blocks = (job.art.faces[face.id]?.texts ?? []).filter((block) => isNamed(block, names));
      const lines = blocks.flatMap((block) => setText(filled(block, names, row), book, outlines).lines);
      const drawn = lines.filter((line) => line.glyphs.length > 0).map(drawLine);
      return drawn.length === 0
        ? []
        : [
            {
              kind: 'group',
              transform: face.toBlank,
              clip: polygon(size.regions[face.id]!.bleed.outline),
              children: drawn,
            },
          ];
    });
}
