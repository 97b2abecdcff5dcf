import type { ReactNode } from 'react';
import {
  WORKSHOP_LIMITS,
  fixed,
  COATINGS,
  formatLength,
  inkLimit,
  repeatabilityOf,
  type FeedPath,
  type Trimmer,
  type Workshop,
} from '@zippy/core';
import { More } from '../slip/More.tsx';
import { useWorkshop } from '../stores/workshop.ts';
import { Choice } from '../ui/Choice.tsx';
import { OnOff } from '../ui/OnOff.tsx';
import { LengthField } from '../ui/fields/LengthField.tsx';
import { MoneyField } from '../ui/fields/MoneyField.tsx';
import { NumberField } from '../ui/fields/NumberField.tsx';
import { ButtonLink } from '../ui/buttons.tsx';
import { Two } from '../ui/ModalDialog.tsx';
import { MachineFields } from './MachineFields.tsx';
import { Thing } from './Thing.tsx';

const sayCalibrated = ({ calibrations = [] }: FeedPath): string => {
  const newest = calibrations.filter((c) => !c.setAside).at(-1);
  return newest ? `calibrated ${newest.day}` : 'not calibrated';
};

export function Tools({ workshop }: { readonly workshop: Workshop }): ReactNode {
  const change = useWorkshop((s) => s.change);
  const { unit } = workshop;
  const setTrimmer = (id: string, part: Partial<Trimmer>): void =>
    void change({ ...workshop, trimmers: workshop.trimmers.map((t) => (t.id === id ? { ...t, ...part } : t)) });
  return (
    <section aria-labelledby="tools">
      <h2 id="tools">Tools</h2>
      <div className="cards">
        {workshop.printers.flatMap((printer) =>
          printer.paths.map((path) => (
            <Thing
              key={`${printer.id}-${path.id}`}
              id={`${printer.id}-${path.id}`}
              title={`${printer.name}: ${path.name}`}
              facts={`${printer.ink}${printer.printsWhite ? ' with white' : ''} · up to ${path.heaviestGsm} gsm and ${path.thickestMicron} µm · margins ${formatLength(path.marginsMm.top, unit)}${path.printsBothSides ? ' · both sides by itself' : ''} · ${sayCalibrated(path)}`}
            >
              <Two>
                {(['top', 'right', 'bottom', 'left'] as const).map((side) => (
                  <LengthField
                    key={side}
                    label={`Margin, ${side}`}
                    mm={path.marginsMm[side]}
                    unit={unit}
                    {...WORKSHOP_LIMITS.path.marginMm}
                    onCommit={(mm) =>
                      void change({
                        ...workshop,
                        printers: workshop.printers.map((p) =>
                          p.id !== printer.id
                            ? p
                            : {
                                ...p,
                                paths: p.paths.map((q) =>
                                  q.id === path.id ? { ...q, marginsMm: { ...q.marginsMm, [side]: mm } } : q,
                                ),
                              },
                        ),
                      })
                    }
                  />
                ))}
              </Two>
              <ButtonLink href={`/workshop/printers/${printer.id}/${path.id}`}>Calibrate this path</ButtonLink>
              <OnOff
                label="Lays white under the colours"
                value={printer.printsWhite ?? false}
                onChange={(printsWhite) =>
                  void change({
                    ...workshop,
                    printers: workshop.printers.map((p) => (p.id === printer.id ? { ...p, printsWhite } : p)),
                  })
                }
              />
              {printer.printsWhite && (
                <Choice
                  label="White goes on"
                  value={path.white ?? 'inPass'}
                  options={[
                    { id: 'inPass', name: 'With the colours' },
                    { id: 'before', name: 'Pass before' },
                    { id: 'after', name: 'Pass after' },
                  ]}
                  onChange={(white) =>
                    void change({
                      ...workshop,
                      printers: workshop.printers.map((p) =>
                        p.id !== printer.id
                          ? p
                          : { ...p, paths: p.paths.map((q) => (q.id === path.id ? { ...q, white } : q)) },
                      ),
                    })
                  }
                />
              )}
              <More label="Most ink in one place, by coating">
                <Two>
                  {COATINGS.map((coating) => (
                    <NumberField
                      key={coating}
                      label={`${coating[0]!.toUpperCase()}${coating.slice(1)}, %`}
                      value={Math.round(inkLimit(printer, coating) * 100)}
                      least={WORKSHOP_LIMITS.inkLimit.least * 100}
                      most={WORKSHOP_LIMITS.inkLimit.most * 100}
                      onCommit={(percent) =>
                        void change({
                          ...workshop,
                          printers: workshop.printers.map((p) =>
                            p.id === printer.id ? { ...p, inkLimits: { ...p.inkLimits, [coating]: percent / 100 } } : p,
                          ),
                        })
                      }
                    />
                  ))}
                </Two>
                <p>Four inks together; 100 is one laid solid. Print a dark patch and rub it when it has dried.</p>
              </More>
              <MoneyField
                label="Ink and wear for a side"
                minor={printer.sidePriceMinor}
                onCommit={(m) =>
                  void change({
                    ...workshop,
                    printers: workshop.printers.map((p) =>
                      p.id === printer.id ? { ...p, sidePriceMinor: m ?? 0 } : p,
                    ),
                  })
                }
              />
            </Thing>
          )),
        )}
        {workshop.trimmers.map((t) => (
          <Thing
            key={t.id}
            id={t.id}
            title={t.name}
            facts={`${t.kind} · cuts ${formatLength(t.longestCutMm, unit)} · stack ${formatLength(t.thickestStackMm, 'mm')} · strays by ${fixed(repeatabilityOf(t), 2)} mm`}
          >
            <NumberField
              label="One cut strays by (1 σ), mm"
              value={repeatabilityOf(t)}
              {...WORKSHOP_LIMITS.trimmer.repeatabilityMm}
              whole={false}
              hint="Measure ten cuts set alike: most lie within this of their mean, nearly all within twice this."
              onCommit={(repeatabilityMm) => setTrimmer(t.id, { repeatabilityMm })}
            />
            <LengthField
              label="Thickest stack"
              mm={t.thickestStackMm}
              unit="mm"
              {...WORKSHOP_LIMITS.trimmer.thickestStackMm}
              onCommit={(thickestStackMm) => setTrimmer(t.id, { thickestStackMm })}
            />
            {t.machine && (
              <MachineFields machine={t.machine} unit={unit} onChange={(machine) => setTrimmer(t.id, { machine })} />
            )}
          </Thing>
        ))}
      </div>
    </section>
  );
}
