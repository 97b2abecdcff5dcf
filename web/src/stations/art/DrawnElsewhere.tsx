import { useState, type ReactNode } from 'react';
import { FileTrigger } from 'react-aria-components';
import {
  decide,
  DEFAULTS,
  EMPTY_FACE,
  facesOfPictures,
  openPlaces,
  PIXEL_DPI,
  type DrawnPlace,
  type ElsewhereShows,
  type FacePlan,
  type Job,
  type JobChange,
  type PictureRef,
  type Plan,
} from '@zippy/core';
import { api } from '../../api/client.ts';
import { addPicture, sayShare } from '../../api/upload.ts';
import { useJob } from '../../stores/job.ts';
import { Choice } from '../../ui/Choice.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { PlainButton } from '../../ui/buttons.tsx';
import { PICTURES } from './pictureKinds.ts';
import { pictureIdOf } from './useFace.ts';

const SHOWS: readonly { readonly id: ElsewhereShows; readonly name: string }[] = [
  { id: 'guides', name: 'With lines' },
  { id: 'nothing', name: 'Empty' },
  { id: 'art', name: 'As they are' },
];

/** The open card and its faces for a drawing program, and what was drawn there back on the faces of its size. */
export function DrawnElsewhere({ plan: { art, size } }: { readonly plan: Plan }): ReactNode {
  const { faces } = art;
  const id = useJob((s) => s.id);
  const settle = useJob((s) => s.settle);
  const change = useJob((s) => s.change);
  const [dpi, setDpi] = useState(300);
  const [shows, setShows] = useState<ElsewhereShows>('guides');
  const [said, setSaid] = useState<string | null>(null);
  const fetchIt = async (): Promise<void> => {
    setSaid(null);
    try {
      if (!id || !(await settle())) return setSaid('The job has not reached the server yet; try again when it has.');
      await api.pixels(id, dpi, shows);
    } catch (why) {
      setSaid((why as Error).message);
    }
  };
  const bringBack = async (files: readonly File[]): Promise<void> => {
    const taken: { readonly name: string; readonly ref: PictureRef }[] = [];
    const refused: string[] = [];
    for (const file of files)
      try {
        const ref = await addPicture(file, (share) => setSaid(sayShare(file.name, share)));
        taken.push({ name: file.name, ref });
      } catch (why) {
        refused.push((why as Error).message);
      }
    const places = facesOfPictures(
      taken.map(({ name, ref }) => ({ name, widthPx: ref.widthPx, heightPx: ref.heightPx })),
      faces,
      openPlaces(size),
    );
    // Faces may have been worked on while the files were on their way.
    const now = useJob.getState().job;
    if (now) change(taken.flatMap(({ ref }, i) => layOn(now, ref, places[i]!)));
    setSaid([...taken.map(({ name, ref }, i) => sayPlace(name, ref, places[i]!, faces)), ...refused].join(' '));
  };
  return (
    <>
      <NumberField label="Dots to the inch" value={dpi} {...PIXEL_DPI} onCommit={setDpi} />
      <Choice label="Its pictures" value={shows} options={SHOWS} onChange={setShows} />
      <PlainButton onPress={() => void fetchIt()}>
        ↓ {shows === 'art' ? 'Every face' : 'The open card and every face'}, PNG in a zip
      </PlainButton>
      <FileTrigger
        allowsMultiple
        acceptedFileTypes={PICTURES.filter((kind) => !/pdf/.test(kind))}
        onSelect={(files) => void bringBack([...(files ?? [])])}
      >
        <PlainButton>Bring pictures back …</PlainButton>
      </FileTrigger>
      <p role="status">
        {said ??
          'Each is laid on the face of its size, or over the open card; where several are alike, its name decides.'}
      </p>
    </>
  );
}

/** A picture fills its face, bleed and all; what else is on the face stays before it. */
function layOn(job: Job, ref: PictureRef, { faceId, open }: DrawnPlace): readonly JobChange[] {
  if (faceId === null) return [];
  const pictureId = pictureIdOf(job, ref);
  return [
    decide((job) => job.pictures.at(pictureId), ref),
    decide((job) => job.art.faces.at(faceId), {
      ...(job.art.faces[faceId] ?? EMPTY_FACE),
      picture: {
        ...{ pictureId, ...DEFAULTS.placement },
        ...(open ? { across: open.across, quarterTurns: open.quarterTurns } : {}),
      },
    }),
  ];
}

function sayPlace(
  name: string,
  { widthPx, heightPx }: PictureRef,
  { faceId, bled, open }: DrawnPlace,
  faces: readonly FacePlan[],
): string {
  if (faceId === null)
    return `${name}: ${widthPx} × ${heightPx} pixels are the shape of no face that is left; keep the size it was given with.`;
  if (open) return `${name}: over all of the card’s ${open.side}.`;
  const face = faces.find((one) => one.face.id === faceId)!.face.name.toLowerCase();
  return bled
    ? `${name}: on the ${face}.`
    : `${name}: on the ${face}; it has no bleed, so it was made a little larger to reach past the cut.`;
}
