import { decide, type JobChange } from '../../../job/decide.ts';
import type { Snag } from '../../../job/findings.ts';
import { isOwnTypeface } from '../../../job/ownTypeface.ts';
import type { Job } from '../../../job/types.ts';
import type { FacePlan } from '../faces/items.ts';
import { mayEmbed, mayTravel } from '../words/embedding.ts';
import { STAND_IN_TYPEFACE_ID, TYPEFACES, type TypefaceBook } from '../words/typefaces.ts';

/** What words go into when the maker gives a lost typeface up. */
const INSTEAD = TYPEFACES.find(({ id }) => id === 'eb-garamond-400')!;
const standIn = TYPEFACES.find(({ id }) => id === STAND_IN_TYPEFACE_ID)!;

/** Typefaces of the maker’s own that are not here, and those whose makers keep them out of files. */
export function ownTypefaceSnags(job: Job, faces: readonly FacePlan[], book: TypefaceBook): readonly Snag[] {
  const uses = faces.flatMap(({ face, art }) => art.texts.map((block, index) => ({ face, block, index })));
  const ids = new Set(
    uses.flatMap(({ block }) => [block.typefaceId, ...(block.emphasis ? [block.emphasis.typefaceId] : [])]),
  );
  return [...ids].filter(isOwnTypeface).flatMap((id): readonly Snag[] => {
    const name = job.typefaces?.[id]?.name ?? 'A typeface';
    const typeface = book.get(id);
    if (!typeface) {
      const changes = uses.flatMap(({ face, block, index }): readonly JobChange[] => [
        ...(block.typefaceId === id
          ? [decide((job) => job.art.faces.at(face.id).texts.at(index).typefaceId, INSTEAD.id)]
          : []),
        ...(block.emphasis?.typefaceId === id
          ? [decide((job) => job.art.faces.at(face.id).texts.at(index).emphasis.typefaceId, INSTEAD.id)]
          : []),
      ]);
      return [
        {
          ...{ id: `art-typeface-gone-${id}`, station: 'art', level: 'stop' },
          title: `${name} is not in this studio`,
          why: `Its words stand in ${standIn.name} until its file is brought, under Typeface of the words; or set them in another.`,
          remedies: [{ label: `Set them in ${INSTEAD.name}`, changes }],
        },
      ];
    }
    const { embedding } = typeface;
    if (mayEmbed(embedding) && mayTravel(embedding)) return [];
    return [
      {
        ...{ id: `art-typeface-kept-${id}`, station: 'art', level: 'note' },
        title: mayEmbed(embedding)
          ? `${name} stays out of the job’s own file`
          : `${name} goes into files as drawn letters`,
        why: mayEmbed(embedding)
          ? 'Its makers let it be printed and looked at, but not handed on: whoever opens the job elsewhere brings the font themselves.'
          : `Its makers let no file carry ${embedding.level === 'none' ? 'it' : 'a part of it'}: its words print the same, and cannot be searched or copied.${mayTravel(embedding) ? '' : ' Whoever opens the job elsewhere brings the font themselves.'}`,
        remedies: [],
      },
    ];
  });
}
