import { Gem } from 'lucide-react';
import type { ReactNode } from 'react';
import { adhesivesOf, formatLength, layAdhesive, trimmingsOf } from '@zippy/core';
import { AddMany } from '../../ui/AddMany.tsx';
import type { StationProps } from '../parts.ts';
import { hundredth, type FaceInHand } from './useFace.ts';
import { useTrimmings } from './useTrimmings.ts';

/** Puts something from the shelf on the middle of the face in hand, held with the first thing there that bears it. */
export function AddTrimming({ job, workshop, hand }: StationProps & { readonly hand: FaceInHand }): ReactNode {
  const { add } = useTrimmings(job);
  const { face } = hand.face;
  const shelf = trimmingsOf(workshop);
  if (shelf.length === 0) return null;
  return (
    <AddMany
      label={
        <>
          <Gem size={17} aria-hidden /> Trimming
        </>
      }
      sections={[
        {
          heading: 'From the shelf',
          options: shelf.map(({ id, name, onShelf, thickMm }) => ({
            id,
            name: `${name}: ${onShelf} there, stands ${formatLength(thickMm, workshop.unit)}`,
          })),
        },
      ]}
      onPick={(trimmingId) => {
        const trimming = shelf.find(({ id }) => id === trimmingId)!;
        const holds =
          trimming.kind === 'brad'
            ? undefined
            : adhesivesOf(workshop).find((one) => layAdhesive(one, trimming, trimming.grams).ok);
        add({
          trimmingId,
          faceId: face.id,
          ...{ xMm: hundredth(face.widthMm / 2), yMm: hundredth(face.heightMm / 2) },
          adhesiveId: holds?.id ?? null,
        });
      }}
    />
  );
}
