import { useEffect, useState, type ReactNode } from 'react';
import { Radio } from 'react-aria-components';
import { changeJob, decideEach, FORMATS, newJob, type FormatId, type Scene, type Workshop } from '@zippy/core';
import { SceneView } from '../../bench/SceneView.tsx';
import { useNewCard } from '../../stores/newCard.ts';
import { askPlan } from '../../workers/planner.ts';
import { cardScene } from '../cardScene.ts';
import { Tiles } from './tiles.ts';

/** Every way of folding as the folded thing, standing a little open. */
export function FoldedForms({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const { format, set } = useNewCard();
  const scenes = useFolded(workshop);
  return (
    <Tiles aria-label="Folded form" value={format} onChange={(id) => set({ format: id as FormatId })}>
      <span className="label">Which of these is it to be?</span>
      {FORMATS.map(({ id, name }) => (
        <Radio key={id} value={id}>
          <span className="drawn">{scenes[id] && <SceneView scene={scenes[id]} pictures={NONE} />}</span>
          {name}
        </Radio>
      ))}
    </Tiles>
  );
}

const NONE = {};

/** Folded by the planner, one after the other, each shown as it comes. */
function useFolded(workshop: Workshop): Readonly<Partial<Record<FormatId, Scene>>> {
  const [scenes, setScenes] = useState<Readonly<Partial<Record<FormatId, Scene>>>>({});
  useEffect(() => {
    let here = true;
    for (const { id, lies } of FORMATS) {
      const [narrow, long] = [105, 148];
      const job = changeJob(
        newJob('A card', workshop),
        decideEach((one) => one.size, {
          format: id,
          finishedWidthMm: lies ? long : narrow,
          finishedHeightMm: lies ? narrow : long,
        }),
      );
      askPlan(job, workshop).then(
        (plan) => here && setScenes((all) => ({ ...all, [id]: cardScene(plan) })),
        () => {
          // A form without its drawing still has its name.
        },
      );
    }
    return () => {
      here = false;
    };
  }, [workshop]);
  return scenes;
}
