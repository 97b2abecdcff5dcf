import { useState, type ReactNode } from 'react';
import { decideEach, LIMITS, type SheetChoice } from '@zippy/core';
import { More } from '../../slip/More.tsx';
import { Slip } from '../../slip/Slip.tsx';
import { PARTS_OF } from '../../shared/useAskedJob.ts';
import { TakeAway } from '../../slip/TakeAway.tsx';
import { useJob } from '../../stores/job.ts';
import { Choice } from '../../ui/Choice.tsx';
import { OnOff } from '../../ui/OnOff.tsx';
import { LengthField } from '../../ui/fields/LengthField.tsx';
import { TypedField } from '../../ui/fields/TypedField.tsx';
import { ButtonLink } from '../../ui/buttons.tsx';
import { Two } from '../../ui/ModalDialog.tsx';
import { spokenOf, type StationProps } from '../parts.ts';
import { Offcuts, SheetChoices } from './SheetChoices.tsx';

export function SheetSlip({ job, plan, workshop }: StationProps): ReactNode {
  const change = useJob((s) => s.change);
  const jobId = useJob((s) => s.id);
  const { sheet } = job;
  const { unit } = workshop;
  const { cutDown } = sheet;
  const set = (part: Partial<SheetChoice>): void => change(decideEach((job) => job.sheet, part));
  const [round, setRound] = useState(0);
  const whole = { widthMm: plan.stock.stock.sheetWidthMm, heightMm: plan.stock.stock.sheetHeightMm };
  return (
    <Slip
      title="Sheet"
      part={plan.sheet}
      spoken={spokenOf(workshop)}
      after={
        <>
          <TakeAway what="sheets" format="pdf" label="Sheets to print, PDF" />
          {plan.sheet.named && <TakeAway what="sheets" format="csv" label="Who is on which sheet, CSV" />}
          {plan.sheet.layers.some(({ print }) => print) && (
            <TakeAway what="panels" format="pdf" label="Sheets of printed panels, PDF" />
          )}
          {plan.sheet.layers.length > 1 && jobId && (
            <ButtonLink href={`/shared?${PARTS_OF}=${jobId}`}>
              {`Lay its ${plan.sheet.layers.length} parts on the fewest sheets`}
            </ButtonLink>
          )}
          {plan.sheet.sides.length === 2 && (
            <ButtonLink href={`/workshop/printers/${job.stock.printerId}/${job.stock.pathId}`}>
              {plan.sheet.calibration ? 'Calibrate this path again' : 'Match front and back: calibrate this path'}
            </ButtonLink>
          )}
        </>
      }
    >
      <Choice
        label="Grain along the fold"
        value={sheet.grain}
        options={[
          { id: 'respect', name: 'Always' },
          { id: 'prefer', name: 'If it costs no card' },
          { id: 'ignore', name: 'Either way' },
        ]}
        onChange={(grain) => set({ grain })}
      />
      {plan.sheet.passes.length > 0 && (
        <Choice
          label="Turn the sheet over on its"
          value={sheet.flipEdge}
          options={[
            { id: 'long', name: 'Long edge' },
            { id: 'short', name: 'Short edge' },
          ]}
          onChange={(edge) => set({ flipEdge: edge })}
        />
      )}
      {plan.sheet.sides.length === 2 && plan.size.form.blank.creases.length === 0 && (
        <Choice
          label="Both sides"
          value={sheet.working ?? 'sheetwise'}
          options={[
            { id: 'sheetwise', name: 'Front, then back' },
            { id: 'workAndTurn', name: 'One plate, turned' },
          ]}
          onChange={(working) => set({ working })}
        />
      )}
      <TypedField
        key={round}
        label="Spares"
        value={sheet.spares}
        show={(n) => (n === null ? '' : String(n))}
        read={(text) => {
          if (text.trim() === '') return { ok: true, value: null };
          const n = Number(text);
          return Number.isInteger(n) && n >= LIMITS.sheet.spares.least && n <= LIMITS.sheet.spares.most
            ? { ok: true, value: n }
            : { ok: false, why: 'Spares wants a whole number, or nothing to let your spoil log decide.' };
        }}
        onCommit={(n) => {
          set({ spares: n });
          setRound(round + 1);
        }}
        hint={sheet.spares === null ? `Left empty: your spoil log says ${plan.sheet.spares}.` : undefined}
      />
      <More label={`Ways to lay it out, side by side (${plan.cut.choices.length})`}>
        <SheetChoices job={job} plan={plan} workshop={workshop} />
      </More>
      {!plan.cut.trimmer.machine && plan.sheet.up > 0 && (
        <More label={`Offcuts worth keeping (${plan.cut.offcuts.length})`}>
          <Offcuts job={job} plan={plan} workshop={workshop} />
        </More>
      )}
      <More label="Cut the sheet down, marks">
        <OnOff
          label="Print ticks and a slug outside the cards"
          value={sheet.marks}
          onChange={(on) => set({ marks: on })}
        />
        {plan.sheet.bleedMm > 0 && (
          <OnOff
            label="Neighbours share one bleed"
            value={sheet.sharedBleed ?? false}
            onChange={(on) => set({ sharedBleed: on })}
          />
        )}
        <OnOff
          label="The sheet is cut down before printing"
          value={cutDown !== null}
          onChange={(on) => set({ cutDown: on ? whole : null })}
        />
        {cutDown && (
          <Two>
            <LengthField
              label="Width"
              mm={cutDown.widthMm}
              unit={unit}
              {...LIMITS.sheet.cutDownMm}
              onCommit={(mm) => set({ cutDown: { ...cutDown, widthMm: mm } })}
            />
            <LengthField
              label="Height"
              mm={cutDown.heightMm}
              unit={unit}
              {...LIMITS.sheet.cutDownMm}
              onCommit={(mm) => set({ cutDown: { ...cutDown, heightMm: mm } })}
            />
          </Two>
        )}
      </More>
    </Slip>
  );
}
