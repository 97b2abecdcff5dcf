import { useCallback, type ReactNode } from 'react';
import {
  adhesivesOf,
  LIMITS,
  type SizeChoice,
  type SizeSystem,
  decide,
  decideEach,
  formatLength,
  formatSize,
  NAMED_SIZES,
  plural,
  SIZE_SYSTEMS,
  formatEntry,
  usualBareEdgeMm,
} from '@zippy/core';
import type { BenchGeometry } from '../../bench/Bench.tsx';
import { More } from '../../slip/More.tsx';
import { Slip } from '../../slip/Slip.tsx';
import { TakeAway } from '../../slip/TakeAway.tsx';
import { useJob } from '../../stores/job.ts';
import { useView } from '../../stores/view/index.ts';
import { Choice } from '../../ui/Choice.tsx';
import { Pick } from '../../ui/Pick.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { NumberField } from '../../ui/fields/NumberField.tsx';
import { FieldPlace } from '../../ui/fields/TypedField.tsx';
import { PlainButton } from '../../ui/buttons.tsx';
import { Two } from '../../ui/ModalDialog.tsx';
import { BlankBench } from '../BlankBench.tsx';
import { HeldWith } from '../HeldWith.tsx';
import { spokenOf, type StationProps } from '../parts.ts';
import { EnvelopeFits } from './EnvelopeFits.tsx';
import { FormatInputs } from './FormatInputs.tsx';
import { FormatPick } from './FormatPick.tsx';
import { Layers } from './Layers.tsx';
import { PopUpHandles } from './PopUpHandles.tsx';
import { PopUps } from './PopUps.tsx';
import { RibbonInputs } from './RibbonInputs.tsx';

export function SizeBench(props: StationProps): ReactNode {
  const side = useView((s) => s.side);
  const overlay = useCallback(
    (geometry: BenchGeometry) => (side === 'inside' ? <PopUpHandles {...props} geometry={geometry} /> : null),
    [side, props],
  );
  return <BlankBench {...props} showArt={false} names overlay={overlay} />;
}

export function SizeSlip(props: StationProps): ReactNode {
  const { job, plan, workshop } = props;
  const { ribbon } = plan.size;
  const change = useJob((s) => s.change);
  const { size } = job;
  const { bareEdgeMm = 0 } = size;
  const flat = plan.size.layers.filter(({ kind }) => kind !== 'popUp');
  // What is cut in is no piece, and moves all the same.
  const moving = job.size.layers.filter(({ kind }) => kind === 'popUp').length;
  const { unit } = workshop;
  const set = (part: Partial<SizeChoice>): void => change(decideEach((job) => job.size, part));
  const setBoth = (widthMm: number, heightMm: number): void =>
    change([decide((job) => job.size.finishedWidthMm, widthMm), decide((job) => job.size.finishedHeightMm, heightMm)]);
  const named = NAMED_SIZES.map((s) => ({ ...s, id: `${s.system} ${s.name}` }));
  const pickSize = (id: string): void => {
    const found = named.find((s) => s.id === id);
    // A card that already lies stays lying.
    const sideways = found && (size.finishedWidthMm > size.finishedHeightMm || formatEntry(size.format).lies);
    if (found) setBoth(sideways ? found.heightMm : found.widthMm, sideways ? found.widthMm : found.heightMm);
  };
  const options = (system: SizeSystem) => ({
    heading: system,
    options: named
      .filter((s) => s.system === system)
      .map((s) => ({
        id: s.id,
        name: s.name,
        fullName: s.id,
        note: formatSize(s.widthMm, s.heightMm, system === 'North American' ? 'in' : 'mm'),
      })),
  });
  const side = (label: string, field: 'finishedWidthMm' | 'finishedHeightMm') => (
    <LengthField
      label={label}
      mm={size[field]}
      unit={unit}
      {...LIMITS.size.finishedMm}
      onCommit={(mm) => set({ [field]: mm })}
    />
  );
  return (
    <Slip
      title="Size"
      part={plan.size}
      spoken={spokenOf(workshop)}
      after={
        <>
          <TakeAway what="proof" format="pdf" label="Proof to fold by hand (PDF)" />
          <TakeAway what="template" format="pdf" label="Template in true size (PDF)" />
          <TakeAway what="template" format="svg" label="Template in layers (SVG)" />
          <TakeAway what="template" format="dxf" label="Template in layers (DXF)" />
          <TakeAway what="guides" format="pdf" label="Pale guides round the card (PDF)" />
        </>
      }
    >
      <FormatPick value={size.format} onChange={(format) => set({ format })} />
      <Pick
        label="Named size"
        value={plan.size.name}
        placeholder="Your own size"
        onChange={pickSize}
        sections={SIZE_SYSTEMS.map(options)}
      />
      <Two>
        {side('Finished width', 'finishedWidthMm')}
        {side('Finished height', 'finishedHeightMm')}
      </Two>
      <FormatInputs job={job} size={plan.size} unit={unit} />
      {plan.size.form.glued && (
        <>
          <NumberField
            label="What it holds weighs, grams"
            value={size.contentGrams ?? 0}
            least={LIMITS.size.contentGrams.least}
            most={LIMITS.size.contentGrams.most}
            whole={false}
            onCommit={(grams) => change([decide((job) => job.size.contentGrams, grams)])}
          />
          <HeldWith
            label="Its seams held with"
            adhesives={adhesivesOf(workshop)}
            value={size.adhesiveId}
            onChange={(id) => change([decide((job) => job.size.adhesiveId, id)])}
          />
        </>
      )}
      <PlainButton onPress={() => setBoth(size.finishedHeightMm, size.finishedWidthMm)}>
        Swap width and height
      </PlainButton>
      <More
        label={`Envelopes it fits (${plan.size.shelfFits.filter(({ fit }) => fits(fit.word)).length} of ${plan.size.shelfFits.length})`}
      >
        <EnvelopeFits {...props} />
      </More>
      <More
        label={
          flat.length > 0
            ? `Layers (${flat.length} ${plural(flat.length, 'piece')})`
            : 'Mats, writing panels, inserts, tags …'
        }
      >
        <Layers {...props} />
      </More>
      <More label={moving > 0 ? `Pop-ups (${moving})` : 'Pop-ups: what moves as it opens'}>
        <PopUps {...props} />
      </More>
      <More label={ribbon ? `${ribbon.choice.name}: ${formatLength(ribbon.cutMm, unit)} each` : 'A ribbon'}>
        <FieldPlace value="ribbon">
          <RibbonInputs {...props} />
        </FieldPlace>
      </More>
      <Choice
        label="Art at the card’s edges"
        value={bareEdgeMm > 0 ? 'short' : 'off'}
        options={[
          { id: 'off', name: 'Runs off them' },
          { id: 'short', name: 'Stops short' },
        ]}
        onChange={(how) => set({ bareEdgeMm: how === 'short' ? usualBareEdgeMm(plan.stock.path.marginsMm, unit) : 0 })}
      />
      <Two>
        {bareEdgeMm > 0 ? (
          <LengthField
            label="Bare edge"
            mm={bareEdgeMm}
            unit={unit}
            {...LIMITS.size.bareEdgeMm}
            onCommit={(mm) => set({ bareEdgeMm: mm })}
          />
        ) : (
          <LengthField
            label="Bleed"
            mm={size.bleedMm}
            unit={unit}
            {...LIMITS.size.bleedMm}
            onCommit={(mm) => set({ bleedMm: mm })}
          />
        )}
        <LengthField
          label="Safe"
          mm={size.safeMm}
          unit={unit}
          {...LIMITS.size.safeMm}
          onCommit={(mm) => set({ safeMm: mm })}
        />
      </Two>
    </Slip>
  );
}

const fits = (word: string): boolean => word === 'good' || word === 'tight' || word === 'loose';
