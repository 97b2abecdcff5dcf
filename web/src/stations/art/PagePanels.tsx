import { useState, type ReactNode } from 'react';
import { FileTrigger } from 'react-aria-components';
import {
  DEFAULTS,
  decide,
  formatSize,
  likelyPage,
  partsOfPage,
  plural,
  type BackgroundPage,
  type PagePart,
  type PicturePlacement,
  type PictureRef,
} from '@zippy/core';
import { api } from '../../api/client.ts';
import { useJob } from '../../stores/job.ts';
import { Choice } from '../../ui/Choice.tsx';
import { OnOff } from '../../ui/OnOff.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { DoNow, PlainButton } from '../../ui/buttons.tsx';
import { Row, ModalDialog } from '../../ui/ModalDialog.tsx';
import { Ticks } from '../../ui/Ticks.tsx';
import type { StationProps } from '../parts.ts';
import { PICTURES } from './pictureKinds.ts';
import { Halves } from './pagePanelsLook.ts';
import { PageView } from './PageView.tsx';
import { partsFor, sayParts, targetsOf, type Target } from './pageTargets.ts';
import { pictureIdOf } from './useFace.ts';
import { useTakeIn } from './useTakeIn.tsx';

/** One page of background paper over many panels: chosen, cropped and put on all of them in one step. */
export default function PagePanels({
  job,
  plan,
  workshop,
  faceId,
  onClose,
}: StationProps & { readonly faceId: string; readonly onClose: () => void }): ReactNode {
  const change = useJob((s) => s.change);
  const { unit } = workshop;
  const targets = targetsOf(plan);
  const [taken, setTaken] = useState<PictureRef | null>(null);
  const [pictureId, setPictureId] = useState<string | null>(() => Object.keys(job.pictures)[0] ?? null);
  const [widthMm, setWidthMm] = useState<number | null>(null);
  const [way, setWay] = useState<'own' | 'cover'>('own');
  const [apart, setApart] = useState(true);
  const [chosen, setChosen] = useState<readonly string[]>(() => {
    const layers = targets.filter(({ id }) => id.startsWith('layer')).map(({ id }) => id);
    return layers.length > 0 ? layers : [`face ${faceId}`];
  });
  const takePage = (ref: PictureRef): void => {
    setTaken(ref);
    setPictureId(pictureIdOf(job, ref));
    setWidthMm(null);
  };
  const { takeIn, said, picker } = useTakeIn(takePage);
  const pages: Readonly<Record<string, PictureRef>> = taken
    ? { ...job.pictures, [pictureIdOf(job, taken)]: taken }
    : job.pictures;
  const ref = pictureId === null ? undefined : pages[pictureId];
  const page: BackgroundPage | null = ref
    ? widthMm === null
      ? likelyPage(ref)
      : { widthMm, heightMm: (widthMm * ref.heightPx) / ref.widthPx }
    : null;
  const on = targets.filter(({ id }) => chosen.includes(id));
  const shares = page && way === 'own' ? partsFor(page, on, apart) : new Map<string, PagePart | null>();
  const larger = on.filter(({ id }) => shares.get(id) === null);
  const put = (): void => {
    if (!ref || pictureId === null) return;
    const placed = (target: Target): PicturePlacement => ({
      pictureId,
      ...DEFAULTS.placement,
      ...(shares.get(target.id)?.placement ?? {}),
    });
    change([
      decide((job) => job.pictures.at(pictureId), ref),
      ...on.map((target) => target.change(job, placed(target))),
    ]);
    onClose();
  };
  return (
    <ModalDialog title="Panels from a page" isOpen onClose={onClose} wide>
      <Halves>
        <div className="page">
          {ref && page ? (
            <PageView
              page={page}
              url={api.pictureUrl(ref.sha256)}
              parts={on.flatMap((target, i) => {
                const part = shares.get(target.id);
                return part ? [{ number: i + 1, part }] : [];
              })}
              others={way === 'own' && on[0] ? partsOfPage(page, on[0]) : []}
            />
          ) : (
            <p>Take in a page of background paper: a picture, or a page of a PDF.</p>
          )}
        </div>
        <div className="choose">
          <Row>
            <FileTrigger acceptedFileTypes={PICTURES} onSelect={(files) => takeIn(files?.[0])}>
              <PlainButton>Take a page in …</PlainButton>
            </FileTrigger>
          </Row>
          {said && <p role="status">{said}</p>}
          {picker}
          {Object.keys(pages).length > 0 && (
            <Pick
              label="Page"
              value={pictureId}
              sections={[{ heading: null, options: Object.entries(pages).map(([id, { name }]) => ({ id, name })) }]}
              onChange={(id) => {
                setPictureId(id);
                setWidthMm(null);
              }}
            />
          )}
          <Ticks
            label="On these panels"
            value={chosen}
            options={targets.map((t) => ({
              id: t.id,
              name: t.name,
              note: formatSize(t.widthMm, t.heightMm, unit),
            }))}
            onChange={setChosen}
          />
          <Choice
            label="How large"
            value={way}
            options={[
              { id: 'own', name: 'The page’s own size' },
              { id: 'cover', name: 'All of it on each' },
            ]}
            onChange={setWay}
          />
          {page && way === 'own' && (
            <>
              <LengthField
                label="The page is this wide"
                mm={page.widthMm}
                unit={unit}
                least={20}
                most={2000}
                onCommit={setWidthMm}
                hint={`so ${formatSize(page.widthMm, page.heightMm, unit)}`}
              />
              {on.length > 1 && <OnOff label="Another part of it for each" value={apart} onChange={setApart} />}
              <p>{sayParts(page, on, unit)}</p>
            </>
          )}
          {larger.length > 0 && (
            <p role="status">
              {larger.map(({ name }) => name.toLowerCase()).join(', ')}: larger than the page, so all of it is spread
              over {larger.length === 1 ? 'it' : 'them'}.
            </p>
          )}
          <DoNow isDisabled={!ref || on.length === 0} onPress={put}>
            Put it on {on.length} {plural(on.length, 'panel')}
          </DoNow>
        </div>
      </Halves>
    </ModalDialog>
  );
}
