import type { ReactNode } from 'react';
import {
  calibrationMarks,
  CROSS_NAMES,
  CROSSES,
  WORKSHOP_LIMITS,
  type CalibrationSheet,
  type FeedPath,
  type Printer,
  type Stock,
} from '@zippy/core';
import { api } from '../../api/client.ts';
import { More } from '../../slip/More.tsx';
import { Decisions } from '../../slip/parts.ts';
import { ButtonLink } from '../../ui/buttons.tsx';
import { Choice } from '../../ui/Choice.tsx';
import { WordsField } from '../../ui/fields/WordsField.tsx';
import { Two } from '../../ui/ModalDialog.tsx';
import { Pick } from '../../ui/Pick.tsx';
import type { useDraft } from './draft.ts';
import { ReadingField } from './ReadingField.tsx';

const EDGES = [
  ['leftToTopLeftMm', 'Left edge to A'],
  ['leftToBottomLeftMm', 'Left edge to C'],
  ['topToTopLeftMm', 'Top edge to A'],
  ['topToTopRightMm', 'Top edge to B'],
] as const;

/** The three things to do, in order: print, measure, hold to the light; and a fourth for those who want it. */
export function Readings({
  printer,
  path,
  stock,
  stocks,
  asked,
  draft,
  setDraft,
}: {
  readonly printer: Printer;
  readonly path: FeedPath;
  readonly stock: Stock;
  /** All that are large enough. */
  readonly stocks: readonly Stock[];
  readonly asked: CalibrationSheet;
  readonly draft: ReturnType<typeof useDraft>[0];
  readonly setDraft: ReturnType<typeof useDraft>[1];
}): ReactNode {
  const marks = calibrationMarks(asked.sheet, path.marginsMm);
  return (
    <>
      <Decisions>
        <h3>1 · Print it</h3>
        <Pick
          label="On"
          value={stock.id}
          onChange={(stockId) => setDraft({ stockId })}
          sections={[
            {
              heading: null,
              options: stocks.map((s) => ({ id: s.id, name: s.name, note: `${s.gsm} gsm`, swatch: s.colour })),
            },
          ]}
        />
        <Choice
          label="Turned over on its"
          value={draft.flipEdge}
          options={[
            { id: 'long', name: 'Long edge' },
            { id: 'short', name: 'Short edge' },
          ]}
          onChange={(flipEdge) => setDraft({ flipEdge })}
        />
        <ButtonLink
          href={api.calibrationUrl(printer.id, path.id, stock.id, draft.flipEdge)}
          download="calibration-sheet.pdf"
        >
          ↓ Calibration sheet, PDF
        </ButtonLink>
        <WordsField
          label="How you laid it back for the second side"
          value={draft.laidBack}
          onChange={(laidBack) => setDraft({ laidBack })}
          hint="Such as “printed side down, arrow towards me”. You will see it again at the printer."
        />
        <h3>2 · Measure the rules</h3>
        <Two>
          <ReadingField
            label={`Across, ${marks.ruleAcross.lengthMm} mm`}
            mm={draft.ruleAcrossMm}
            {...WORKSHOP_LIMITS.calibration.ruleMm}
            onCommit={(ruleAcrossMm) => setDraft({ ruleAcrossMm })}
          />
          <ReadingField
            label={`Down, ${marks.ruleDown.lengthMm} mm`}
            mm={draft.ruleDownMm}
            {...WORKSHOP_LIMITS.calibration.ruleMm}
            onCommit={(ruleDownMm) => setDraft({ ruleDownMm })}
          />
        </Two>
        <h3>3 · Hold it to the light</h3>
        <Choice
          label="The two arrows"
          value={draft.arrows}
          options={[
            { id: 'same', name: 'Point the same way' },
            { id: 'opposite', name: 'Are head to foot' },
          ]}
          onChange={(arrows) => setDraft({ arrows })}
        />
        <p className="how">How far the back’s cross lies from the front’s. Left and high are minus.</p>
        {CROSSES.map((cross) => (
          <Two key={cross}>
            {(['rightMm', 'lowMm'] as const).map((way) => (
              <ReadingField
                key={way}
                label={`${CROSS_NAMES[cross]}, ${way === 'rightMm' ? 'right' : 'low'}`}
                mm={draft.crosses[cross][way]}
                {...WORKSHOP_LIMITS.calibration.missMm}
                onCommit={(mm) =>
                  setDraft({ crosses: { ...draft.crosses, [cross]: { ...draft.crosses[cross], [way]: mm } } })
                }
              />
            ))}
          </Two>
        ))}
      </Decisions>
      <More label="Where the front lies on the sheet">
        <p>With these four the print is moved to the middle of the sheet too, where your first cut looks for it.</p>
        <Two>
          {EDGES.map(([id, label]) => (
            <ReadingField
              key={id}
              label={label}
              mm={draft.edges[id]}
              {...WORKSHOP_LIMITS.calibration.edgeMm}
              onCommit={(mm) => setDraft({ edges: { ...draft.edges, [id]: mm } })}
            />
          ))}
        </Two>
      </More>
    </>
  );
}
