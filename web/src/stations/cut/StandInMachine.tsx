import { useState, type ReactNode } from 'react';
import { fixed, drawMachineFile, runMachine, svgFile, type Job, type MachineReport, type Plan } from '@zippy/core';
import { useStandIn } from '../../stores/standIn.ts';
import { OnOff } from '../../ui/OnOff.tsx';
import { PlainButton } from '../../ui/buttons.tsx';
import { More } from '../../slip/More.tsx';
import { scanSheet } from './scanSheet.ts';

/** The job’s own file, run on a simulated machine with a sheet from the simulated printer. */
export function StandInMachine({ plan, job }: { readonly plan: Plan; readonly job: Job }): ReactNode {
  const truth = useStandIn((s) => s.truth);
  const [turned, setTurned] = useState(false);
  const [report, setReport] = useState<MachineReport | null>(null);
  const { cut, sheet, size } = plan;
  const run = async (): Promise<void> => {
    const file = svgFile(drawMachineFile(size, sheet), job.brief.title, { layers: true, pictureHref: () => '' });
    const scan = await scanSheet(plan, job, truth);
    // A sheet fed half round shows its corners in the other order.
    const seen = turned ? { ...scan, grey: Uint8ClampedArray.from(scan.grey).reverse() } : scan;
    setReport(runMachine(file, seen, cut.trimmer.machine!, cut.machine!.passes));
  };
  return (
    <More label="Try it on the stand-in machine">
      <p>
        A simulated machine reads the file above, looks for the marks on a sheet from the stand-in printer, and cuts by
        what it finds.
      </p>
      <OnOff label="Feed the sheet the wrong way round" value={turned} onChange={setTurned} />
      <PlainButton onPress={() => void run()}>Run it</PlainButton>
      {report && (
        <p role="status">
          {report.ok
            ? `Found all three marks, the farthest ${fixed(report.movedMm, 2)} mm from where the file has it; cut ${report.cuts.length} ${report.cuts.length === 1 ? 'outline' : 'outlines'} round the print in ${Math.round(report.seconds)} s.`
            : report.why}
        </p>
      )}
    </More>
  );
}
